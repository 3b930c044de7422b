import type { TargetJudgement } from '../brief/index.js';
import { contentOf, type BoxPool } from './boxPool.js';
import { mealsOf, type Meal, type Person } from './person.js';
import { daysOfWeek, isOff, poolKey, type PlannedMeal, type Week } from './week.js';
import { dayFigures, type Pools } from './weekDay.js';
import type { WeekGround } from './weekNotes.js';
import { boxesOf, Room, ruleAgainst, whenceIn, type Loosened } from './weekRoom.js';

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

/** Ways out told of each miss. */
const MOST_WAYS = 3;

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
