import { whenceOn, type BoxPool, type Whence } from './boxPool.js';
import { mealsOf, type Meal, type Person } from './person.js';
import { dayAfter, poolKey, type BoxOf, type PlannedMeal, type Week } from './week.js';
import { poolsByKey, type Pools } from './weekDay.js';
import { givenOf, isAllowedAgain, ownerOf, repeatsAt, tasteOf, type WeekGround } from './weekNotes.js';

/** A rule that a box would break at a meal; `none`: it only adds a meal that the person does not eat from a box. */
export type Loosened = 'again' | 'of another' | 'not wished then' | 'no such meal' | 'none';

/** What is there, and what is given already. */
export class Room {
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

/** A box of a pool as each way of seasoning it makes it. */
export function boxesOf(pool: BoxPool, { seasoned = [] }: Week): BoxOf[] {
  const { box } = pool;
  if (!('session' in box)) return [box];
  const variants = seasoned.find(({ session, dish }) => session === box.session && dish === box.dish)?.variants ?? [];
  return [box, ...variants.map((variant) => ({ ...box, variant }))];
}

/** Where a box comes from, if it can be there in time: what is frozen thaws overnight. */
export function whenceIn(pool: BoxPool, { date, meal }: PlannedMeal, today: string): Whence | undefined {
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
