import { aimOf, limitRows, Programme, type Solve } from '../fit/index.js';
import { daysBetween } from '../price/index.js';
import { contentOf, lastDay, type BoxContent, type BoxPool, type Whence } from './boxPool.js';
import { mealsOf, type Person, type PersonMeal } from './person.js';
import { dayAfter, daysOfWeek, isOff, type PlannedMeal, type Week } from './week.js';
import { dayFigures } from './weekDay.js';
import { weekMisses, type WeekMiss } from './weekMisses.js';
import { isAllowedAgain, tasteOf, type WeekGround } from './weekNotes.js';
import { boxesOf, Room, ruleAgainst, whenceIn } from './weekRoom.js';

/** A box proposed for a meal. */
export interface ProposedMeal {
  readonly meal: PlannedMeal;
  readonly pool: BoxPool;
  readonly whence: Whence;
}

/** A week filled as well as it can be. */
export interface WeekProposal {
  /** By day, person and meal: any of them can be taken without the others. */
  readonly meals: readonly ProposedMeal[];
  /** With all of them taken. */
  readonly misses: readonly WeekMiss[];
  /** Boxes that nobody is given and that will be past their day when the week is over. */
  readonly wasted: readonly { readonly pool: BoxPool; readonly count: number }[];
  /** Whether it is proven that nothing better exists, by the weights of this file. */
  readonly proven: boolean;
  /** In the solver's words. */
  readonly status: string;
}

/**
 * What is weighed against what, in points. A target missed by a tenth outweighs any number of boxes; a meal of every day without a box
 * weighs as much as a target missed by three tenths.
 */
const COST = {
  /** Of a day's target missed by all of it. */
  missed: 1000,
  /** The same of a mere wish, times its weight. */
  wish: 40,
  /** A meal of every day without a box. */
  empty: 300,
  /** A box at a meal that is eaten where needed. */
  needed: 3,
  /** A box that has to be thawed. */
  thawed: 0.4,
  /** The third and every further time that somebody has a dish in a week, at meals that do not repeat. */
  often: 1,
  /** What a box earns that is past its day when the week is over. */
  saved: 2.5,
  /** Of a box that still keeps 120 days or more: what keeps less is eaten first. */
  keeps: 1,
} as const;
/** Days of keeping beyond which nothing is sooner. */
const LONGEST_KEEPING = 120;
/** Times a dish comes in a week before it is often. */
const OFTEN = 2;
/** Points that what is found may be worse than what is proven: less than a thawed box. */
const GAP = 0.3;
/** A meal that has no box yet. */
interface Slot {
  readonly person: Person;
  readonly date: string;
  readonly meal: PersonMeal;
}

/** A box that may go to a slot. */
interface Choice extends ProposedMeal {
  readonly slot: Slot;
  readonly content: BoxContent;
  readonly variable: string;
  readonly taste: string;
}

/**
 * Fills the meals of a week that have no box yet: a mixed-integer programme of what each box does to each day's targets. Never is a box
 * proposed past its day, one that cannot thaw in time, one with somebody else's name, or a dish twice running where nobody wishes that; what
 * that leaves unmet is told with what would have to be loosened. What was given already stays.
 *
 * @param solve the solver; its "Optimal" is the certificate
 */
export function proposeWeek(week: Week, ground: WeekGround, solve: Solve): WeekProposal {
  const room = new Room(week, ground);
  const choices = choicesOf(week, ground, room);
  const text = programmeOf(week, ground, room, choices);
  const { status, values } = choices.length === 0 ? { status: 'Optimal', values: new Map<string, number>() } : solve(text, GAP);
  const taken = choices.filter(({ variable }) => (values.get(variable) ?? 0) > 0.5);
  const found = soonestFirst(sound(taken, room), week, ground);
  const after: Week = { ...week, meals: [...week.meals, ...found.map(({ meal }) => meal)] };
  const rest = new Room(after, ground);
  const end = dayAfter(week.from, 6);
  const wasted = ground.pools.flatMap((pool) => {
    const count = rest.leftOf(pool);
    return count > 0 && lastDay(pool) <= end && lastDay(pool) >= ground.today ? [{ pool, count }] : [];
  });
  return { meals: found, misses: weekMisses(after, ground), wasted, proven: status === 'Optimal', status };
}

function slotsOf(week: Week, { people, today }: WeekGround, room: Room): Slot[] {
  return daysOfWeek(week)
    .filter((date) => date >= today)
    .flatMap((date) =>
      people
        .filter(({ id }) => !isOff(week, id, date))
        .flatMap((person) => mealsOf(person).flatMap((meal) => (room.at(person.id, date, meal.meal) ? [] : [{ person, date, meal }]))),
    );
}

/** Every box that may go to a slot by the rules that are never broken unasked. */
function choicesOf(week: Week, ground: WeekGround, room: Room): Choice[] {
  const choices: Choice[] = [];
  for (const slot of slotsOf(week, ground, room))
    for (const pool of ground.pools) {
      if (room.leftOf(pool) === 0) continue;
      for (const box of boxesOf(pool, week)) {
        const meal: PlannedMeal = { person: slot.person.id, date: slot.date, meal: slot.meal.meal, box };
        const content = contentOf(pool, box);
        const whence = whenceIn(pool, meal, ground.today);
        if (!content || whence === undefined || ruleAgainst(meal, pool, slot.person, week, ground, room) !== 'none') continue;
        choices.push({ meal, pool, whence, slot, content, variable: `x${choices.length}`, taste: tasteOf(meal, pool) });
      }
    }
  return choices;
}

function programmeOf(week: Week, ground: WeekGround, room: Room, choices: readonly Choice[]): string {
  const programme = new Programme();
  for (const choice of choices) programme.variable(choice.variable, 0, 1, { cost: costOf(choice, week, ground), whole: true });
  const sumOf = (some: readonly Choice[]) => some.map(({ variable }) => [variable, 1] as const);
  for (const [pool, of] of grouped(choices, ({ pool: one }) => one.key)) {
    const there = room.pools.get(pool);
    if (there) programme.row(sumOf(of), '<=', room.leftOf(there));
  }
  for (const [slot, of] of grouped(choices, slotKey)) {
    const empty = of[0]?.slot.meal.when === 'if needed' ? [] : [[programme.variable(`e${slot}`, 0, 1, { cost: COST.empty }), 1] as const];
    programme.row([...sumOf(of), ...empty], empty.length > 0 ? '=' : '<=', 1);
  }
  varietyRows(programme, week, choices);
  targetRows(programme, week, ground, room, choices);
  return programme.text();
}

/** One name for a slot, fit for the programme. */
function slotKey({ slot: { person, date, meal } }: Choice): string {
  return `${idOf(person.id)}_${date.replaceAll('-', '')}_${meal.meal}`;
}

/** Letters of an id that a programme takes in a name, one for one: what it does not take is written as its code. */
function idOf(id: string): string {
  return id.replace(/[^a-z0-9]/gi, (letter) => `_${letter.charCodeAt(0).toString(36)}_`);
}

function costOf({ slot: { meal }, pool, whence }: Choice, week: Week, { today }: WeekGround): number {
  const end = dayAfter(week.from, 6);
  const until = lastDay(pool);
  const keeps = Math.min(LONGEST_KEEPING, Math.max(0, daysBetween(today < week.from ? week.from : today, until)));
  return (
    (meal.when === 'if needed' ? COST.needed : 0) +
    (whence === 'freezer' ? COST.thawed : 0) -
    (until <= end ? COST.saved : 0) +
    (COST.keeps * keeps) / LONGEST_KEEPING
  );
}

/** A dish comes once a day, and not two days running but at meals that repeat; more than twice a week it costs. */
function varietyRows(programme: Programme, week: Week, choices: readonly Choice[]): void {
  for (const [, of] of grouped(choices, ({ slot, taste }) => JSON.stringify([slot.person.id, taste]))) {
    const person = of[0]?.slot.person;
    if (!person) continue;
    const { recipe } = (of[0] as Choice).pool;
    for (const date of new Set(of.map(({ slot }) => slot.date))) {
      if (isAllowedAgain(week, person.id, date, recipe)) continue;
      const [now, before] = [date, dayAfter(date, -1)].map((day) => of.filter(({ slot }) => slot.date === day)) as [Choice[], Choice[]];
      once(programme, now);
      for (const meal of new Set(now.map(({ slot }) => slot.meal))) {
        const here = now.filter(({ slot }) => slot.meal === meal);
        const follow = before.filter(({ slot }) => !(slot.meal.meal === meal.meal && meal.repeats === true));
        if (follow.length > 0) once(programme, [...here, ...follow]);
      }
    }
    const counted = of.filter(({ slot }) => slot.meal.repeats !== true);
    if (counted.length <= OFTEN) continue;
    const over = programme.variable(`o_${counted[0]?.variable ?? ''}`, 0, Infinity, { cost: COST.often });
    programme.row([...counted.map(({ variable }) => [variable, 1] as const), [over, -1]], '<=', OFTEN);
  }
}

function once(programme: Programme, choices: readonly Choice[]): void {
  if (choices.length > 1)
    programme.row(
      choices.map(({ variable }) => [variable, 1]),
      '<=',
      1,
    );
}

/** What each box does to each target of its day, and what missing one costs. */
function targetRows(programme: Programme, week: Week, ground: WeekGround, room: Room, choices: readonly Choice[]): void {
  for (const [day, of] of grouped(choices, ({ slot }) => `${idOf(slot.person.id)}_${slot.date.replaceAll('-', '')}`)) {
    const { person, date } = (of[0] as Choice).slot;
    const given = room.meals.filter((meal) => meal.person === person.id && meal.date === date);
    const { figureOf } = dayFigures(given, person, room.pools);
    (person.targets ?? []).forEach((target, t) => {
      const constant = figureOf(target.figure).amount ?? 0;
      const moved = of.map(({ variable, content }) => [variable, content.figures[target.figure]?.amount ?? 0] as const);
      const price = target.wish === true ? COST.wish * (target.weight ?? 1) : COST.missed;
      limitRows(programme, { moved, constant, price, name: `t${t}_${day}` }, aimOf(target, constant, undefined), target.amount || 1);
    });
  }
}

/** Choices that hold together, whatever the solver's arithmetic: a slot has one box, and no pool gives more than it has. */
function sound(taken: readonly Choice[], room: Room): Choice[] {
  const slots = new Set<string>();
  const used = new Map<string, number>();
  return taken.filter((choice) => {
    const [slot, { key }] = [slotKey(choice), choice.pool];
    const count = (used.get(key) ?? 0) + 1;
    if (slots.has(slot) || count > room.leftOf(choice.pool)) return false;
    slots.add(slot);
    used.set(key, count);
    return true;
  });
}

/**
 * Of boxes of one dish that hold the same, what is to be eaten sooner is eaten sooner: two that stand the other way round change places
 * where both can be eaten there.
 */
function soonestFirst(choices: readonly Choice[], week: Week, ground: WeekGround): ProposedMeal[] {
  const meals: ProposedMeal[] = choices.map(({ meal, pool, whence }) => ({ meal, pool, whence })).sort(inDayOrder);
  const alike = (a: ProposedMeal, b: ProposedMeal) =>
    a.pool !== b.pool &&
    tasteOf(a.meal, a.pool) === tasteOf(b.meal, b.pool) &&
    a.pool.name === b.pool.name &&
    JSON.stringify(contentOf(a.pool, a.meal.box)) === JSON.stringify(contentOf(b.pool, b.meal.box));
  for (let i = 0; i < meals.length; i++)
    for (let j = i + 1; j < meals.length; j++) {
      const [a, b] = [meals[i], meals[j]];
      if (!a || !b || a.meal.date >= b.meal.date || !alike(a, b) || lastDay(b.pool) >= lastDay(a.pool)) continue;
      const [sooner, later] = [whenceIn(b.pool, a.meal, ground.today), whenceIn(a.pool, b.meal, ground.today)];
      if (sooner === undefined || later === undefined) continue;
      meals[i] = { meal: { ...a.meal, box: b.meal.box }, pool: b.pool, whence: sooner };
      meals[j] = { meal: { ...b.meal, box: a.meal.box }, pool: a.pool, whence: later };
    }
  return meals;
}

function inDayOrder(a: ProposedMeal, b: ProposedMeal): number {
  const key = ({ meal: { date, person, meal } }: ProposedMeal) => `${date} ${person} ${meal}`;
  return key(a) < key(b) ? -1 : 1;
}

function grouped(choices: readonly Choice[], keyOf: (choice: Choice) => string): Map<string, Choice[]> {
  const groups = new Map<string, Choice[]>();
  for (const choice of choices) {
    const key = keyOf(choice);
    const group = groups.get(key);
    if (group) group.push(choice);
    else groups.set(key, [choice]);
  }
  return groups;
}
