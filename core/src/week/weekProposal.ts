import { aimOf, limitRows, Programme, type Solve } from '../fit/index.js';
import type { TargetJudgement } from '../brief/index.js';
import { daysBetween } from '../price/index.js';
import { contentOf, lastDay, whenceOn, type BoxContent, type BoxPool, type Whence } from './boxPool.js';
import { mealsOf, type Meal, type Person, type PersonMeal } from './person.js';
import { daysOfWeek, dayAfter, isOff, poolKey, type BoxOf, type PlannedMeal, type Week } from './week.js';
import { dayFigures, poolsByKey, type Pools } from './weekDay.js';
import { givenOf, isAllowedAgain, ownerOf, repeatsAt, tasteOf, type WeekGround } from './weekNotes.js';

/** A box proposed for a meal. */
export interface ProposedMeal {
  readonly meal: PlannedMeal;
  readonly pool: BoxPool;
  readonly whence: Whence;
}

/** A rule that a box would break at a meal; `none`: it only adds a meal that the person does not eat from a box. */
export type Loosened = 'again' | 'of another' | 'not wished then' | 'no such meal' | 'none';

/** A box that would mend a day, and what would have to be allowed for it. */
export interface WayOut {
  readonly meal: PlannedMeal;
  readonly pool: BoxPool;
  readonly loosened: Loosened;
  /** The box that it would stand in for; left out: the meal has none. */
  readonly instead?: PlannedMeal;
  /** Other targets of the day that would be missed then. */
  readonly breaks: readonly TargetJudgement[];
}

/** Something of a day that cannot be met with the boxes there are. */
export interface WeekMiss {
  readonly person: string;
  readonly date: string;
  /** The target that is missed; left out: a meal of every day is without a box. */
  readonly judgement?: TargetJudgement;
  readonly meal?: Meal;
  /** What would mend it, the smallest loosening first. */
  readonly ways: readonly WayOut[];
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
/** Ways out told of each miss. */
const MOST_WAYS = 3;

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

/** What is there, and what is given already. */
class Room {
  readonly pools: Pools;
  readonly #given: ReadonlyMap<string, number>;
  /** Meals given, of this week and those beside it. */
  readonly meals: readonly PlannedMeal[];

  constructor(week: Week, { pools, others, gone }: WeekGround) {
    this.pools = poolsByKey(pools);
    this.meals = [...others, ...week.meals];
    this.#given = givenOf(this.meals, [...gone, ...(week.gone ?? [])]);
  }

  leftOf({ key, count }: BoxPool): number {
    return Math.max(0, count - (this.#given.get(key) ?? 0));
  }

  at(person: string, date: string, meal: Meal): PlannedMeal | undefined {
    return this.meals.find((one) => one.person === person && one.date === date && one.meal === meal);
  }

  /** Meals of a person on a day at which something of a taste was given. */
  tasted(person: string, date: string, taste: string): Meal[] {
    return this.meals.flatMap((meal) => {
      const pool = meal.person === person && meal.date === date ? this.pools.get(poolKey(meal.box)) : undefined;
      return pool && tasteOf(meal, pool) === taste ? [meal.meal] : [];
    });
  }
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

/** A box of a pool as each way of seasoning it makes it. */
function boxesOf(pool: BoxPool, { seasoned = [] }: Week): BoxOf[] {
  const { box } = pool;
  if (!('session' in box)) return [box];
  const variants = seasoned.find(({ session, dish }) => session === box.session && dish === box.dish)?.variants ?? [];
  return [box, ...variants.map((variant) => ({ ...box, variant }))];
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

/** Where a box comes from, if it can be there in time: what is frozen thaws overnight. */
function whenceIn(pool: BoxPool, { date, meal }: PlannedMeal, today: string): Whence | undefined {
  const whence = whenceOn(pool, date, meal);
  return typeof whence !== 'string' || (whence === 'freezer' && date === today) ? undefined : whence;
}

/** The rule that would have to be loosened for a box at a meal that has none yet, if any. */
export function ruleAgainst(
  meal: PlannedMeal,
  pool: BoxPool,
  person: Person,
  week: Week,
  ground: WeekGround,
  room = new Room(week, ground),
): Loosened {
  const { people } = ground;
  const owner = ownerOf(pool, people);
  if (owner && owner.id !== person.id) return 'of another';
  const own = mealsOf(person).find((one) => one.meal === meal.meal);
  if (!own) return 'no such meal';
  if (own.dishes && !own.dishes.includes(pool.recipe)) return 'not wished then';
  return follows(meal, pool, person, week, room) ? 'again' : 'none';
}

/** Whether a dish would come twice that day, or follow itself at a meal that does not repeat. */
function follows(meal: PlannedMeal, pool: BoxPool, person: Person, week: Week, room: Room): boolean {
  const taste = tasteOf(meal, pool);
  const [day, before, after] = [0, -1, 1].map((by) => room.tasted(person.id, dayAfter(meal.date, by), taste)) as [Meal[], Meal[], Meal[]];
  const own = (other: Meal) => other === meal.meal && repeatsAt(person, meal.meal);
  const may = (date: string) => isAllowedAgain(week, person.id, date, pool.recipe);
  if (!may(meal.date) && (day.length > 0 || before.some((other) => !own(other)))) return true;
  return !may(dayAfter(meal.date, 1)) && after.some((other) => !own(other));
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

/**
 * What the days of a week miss, from today on, and which single box would mend each: with the rule that it would break. A day on which
 * nothing is given and nothing can be is told by its targets.
 */
export function weekMisses(week: Week, ground: WeekGround): WeekMiss[] {
  const room = new Room(week, ground);
  return daysOfWeek(week)
    .filter((date) => date >= ground.today)
    .flatMap((date) =>
      ground.people.filter(({ id }) => !isOff(week, id, date)).flatMap((person) => dayMisses(person, date, week, ground, room)),
    );
}

function dayMisses(person: Person, date: string, week: Week, ground: WeekGround, room: Room): WeekMiss[] {
  const given = room.meals.filter((meal) => meal.person === person.id && meal.date === date);
  const { judgements } = dayFigures(given, person, room.pools);
  const missed = judgements.filter(({ verdict, target }) => verdict === 'missed' && target.wish !== true);
  const empty = mealsOf(person).filter(({ meal, when }) => when !== 'if needed' && !room.at(person.id, date, meal));
  const boxes = boxesFor(person, date, week, ground, room);
  return [
    ...missed.map((judgement): WeekMiss => {
      const ways = boxes.flatMap((way): WayOut[] => {
        const after = judgedWith(way, given, person, room.pools);
        return mends(judgement, after) ? [{ ...way, breaks: newlyMissed(judgements, after) }] : [];
      });
      return { person: person.id, date, judgement, ways: ways.sort(byBreaks).slice(0, MOST_WAYS) };
    }),
    ...empty.map(({ meal }): WeekMiss => ({
      ...{ person: person.id, date, meal },
      ways: boxes.filter((way) => way.meal.meal === meal).slice(0, MOST_WAYS),
    })),
  ];
}

/** Whether a target is met afterwards. */
function mends({ target: missed }: TargetJudgement, after: readonly TargetJudgement[]): boolean {
  return after.every(({ target, verdict }) => target !== missed || verdict !== 'missed');
}

/** Targets that are missed afterwards and were not before. */
function newlyMissed(before: readonly TargetJudgement[], after: readonly TargetJudgement[]): TargetJudgement[] {
  return after.filter(({ verdict, target }, i) => verdict === 'missed' && target.wish !== true && before[i]?.verdict !== 'missed');
}

function byBreaks(a: WayOut, b: WayOut): number {
  return a.breaks.length - b.breaks.length;
}

const LOOSENINGS: readonly Loosened[] = ['none', 'again', 'not wished then', 'no such meal', 'of another'];

/** The targets of a day with a box in the place of what stood there. */
function judgedWith({ meal, instead }: WayOut, given: readonly PlannedMeal[], person: Person, pools: Pools): readonly TargetJudgement[] {
  return dayFigures([...given.filter((one) => one !== instead), meal], person, pools).judgements;
}

/** Boxes that keep and are nobody's yet, for the meals of a day: those that have none first, then the smallest loosening. */
function boxesFor(person: Person, date: string, week: Week, ground: WeekGround, room: Room): WayOut[] {
  const ways = (['late', 'main', 'before'] as const).flatMap((name) => {
    const instead = week.meals.find((one) => one.person === person.id && one.date === date && one.meal === name);
    return ground.pools.flatMap((pool) => {
      if (room.leftOf(pool) === 0 || (instead && poolKey(instead.box) === pool.key)) return [];
      return boxesOf(pool, week).flatMap((box): WayOut[] => {
        const meal: PlannedMeal = { person: person.id, date, meal: name, box };
        if (!contentOf(pool, box) || whenceIn(pool, meal, ground.today) === undefined) return [];
        const loosened = ruleAgainst(meal, pool, person, week, ground, room);
        return [{ meal, pool, loosened, breaks: [], ...(instead ? { instead } : {}) }];
      });
    });
  });
  const rank = ({ loosened, instead }: WayOut) => LOOSENINGS.indexOf(loosened) + (instead ? 0.5 : 0);
  return ways.sort((a, b) => rank(a) - rank(b));
}
