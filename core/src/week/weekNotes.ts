import { whenceOn, type BoxPool, type NotThen, type Whence } from './boxPool.js';
import { poolsByKey, type Pools } from './weekDay.js';
import { mealsOf, type Meal, type Person } from './person.js';
import { dayAfter, isOff, poolKey, type GoneBoxes, type PlannedMeal, type Week } from './week.js';

/** What is to be said of a box that somebody was given. */
export type MealNote =
  /** Its batch or session is not there any more, or holds no such boxes. */
  | { readonly kind: 'gone' }
  /** More are given than there are. */
  | { readonly kind: 'too many'; readonly count: number; readonly given: number }
  | { readonly kind: 'not then'; readonly why: NotThen }
  /** It is taken from the freezer, and last night is over. */
  | { readonly kind: 'not thawed' }
  /** It has somebody else's name on it. */
  | { readonly kind: 'of another'; readonly name: string }
  | { readonly kind: 'again'; readonly recipe: string }
  /** It is eaten while another of the same dish has to be eaten sooner, and could be. */
  | { readonly kind: 'out of order'; readonly before: string }
  | { readonly kind: 'off' }
  /** The dish has no such variant any more. */
  | { readonly kind: 'no variant'; readonly variant: string };

/** Where the box of a meal comes from, and what is to be said of it. */
export interface MealSeen {
  readonly meal: PlannedMeal;
  readonly pool: BoxPool | undefined;
  readonly whence: Whence | undefined;
  readonly notes: readonly MealNote[];
}

/** What a week is looked at with. */
export interface WeekGround {
  readonly people: readonly Person[];
  readonly pools: readonly BoxPool[];
  /** Meals of the weeks before and after. */
  readonly others: readonly PlannedMeal[];
  /** Boxes that are gone, by the weeks before and after. */
  readonly gone: readonly GoneBoxes[];
  /** ISO day. */
  readonly today: string;
}

/**
 * Looks at every box that is given out: where it comes from, and what is wrong with it. Nothing is taken back by itself: who gave it may
 * know better, and is told.
 */
export function weekSeen(week: Week, { people, pools: all, others, gone, today }: WeekGround): MealSeen[] {
  const pools = poolsByKey(all);
  const given = givenOf([...others, ...week.meals], [...gone, ...(week.gone ?? [])]);
  const every = [...others, ...week.meals];
  return week.meals.map((meal): MealSeen => {
    const pool = pools.get(poolKey(meal.box));
    const off: MealNote[] = isOff(week, meal.person, meal.date) ? [{ kind: 'off' }] : [];
    if (!pool) return { meal, pool, whence: undefined, notes: [{ kind: 'gone' }, ...off] };
    const place = whenceOn(pool, meal.date, meal.meal);
    const whence = typeof place === 'string' ? place : undefined;
    const there = given.get(pool.key) ?? 0;
    const owner = ownerOf(pool, people);
    const variant = 'session' in meal.box ? meal.box.variant : undefined;
    const notes: MealNote[] = [
      ...(typeof place === 'string' ? [] : [{ kind: 'not then' as const, why: place.not }]),
      ...(there > pool.count ? [{ kind: 'too many' as const, count: pool.count, given: there }] : []),
      ...(whence === 'freezer' && meal.date === today ? [{ kind: 'not thawed' as const }] : []),
      ...(owner && owner.id !== meal.person ? [{ kind: 'of another' as const, name: owner.name }] : []),
      ...(comesAgain(meal, every, week, people, pools) ? [{ kind: 'again' as const, recipe: pool.recipe }] : []),
      ...orderNote(meal, pool, week.meals, pools),
      ...(variant !== undefined && !pool.contents.some((one) => one.variant === variant) ? [{ kind: 'no variant' as const, variant }] : []),
      ...off,
    ];
    return { meal, pool, whence, notes };
  });
}

/** Boxes of each pool that are given out or gone, by key. */
export function givenOf(meals: readonly PlannedMeal[], gone: readonly GoneBoxes[]): Map<string, number> {
  const given = new Map<string, number>();
  const add = (key: string, count: number) => given.set(key, (given.get(key) ?? 0) + count);
  for (const { box } of meals) add(poolKey(box), 1);
  for (const { box, count } of gone) add(poolKey(box), count);
  return given;
}

/** Whose a box is: of the person whose name stands on it. */
export function ownerOf({ name }: Pick<BoxPool, 'name'>, people: readonly Person[]): Person | undefined {
  const plain = (text: string) => text.trim().toLowerCase();
  return name === undefined ? undefined : people.find((person) => plain(person.name) === plain(name));
}

/** What makes two boxes the same to whoever eats them: the dish, and how it is seasoned. */
export function tasteOf({ box }: Pick<PlannedMeal, 'box'>, pool: BoxPool): string {
  return JSON.stringify([pool.recipe, ...('session' in box && box.variant !== undefined ? [box.variant] : [])]);
}

/** Whether a person wishes a dish at a meal day after day. */
export function repeatsAt(person: Person | undefined, meal: Meal): boolean {
  return person !== undefined && mealsOf(person).find((one) => one.meal === meal)?.repeats === true;
}

/** Whether somebody has allowed a dish to come again that day. */
export function isAllowedAgain({ again = [] }: Pick<Week, 'again'>, person: string, date: string, recipe: string): boolean {
  return again.some((one) => one.person === person && one.date === date && one.recipe === recipe);
}

/**
 * Whether a dish comes to somebody twice that day, or came the day before too: the later of two that follow each other is told. At a
 * meal that repeats it may follow itself.
 */
function comesAgain(meal: PlannedMeal, all: readonly PlannedMeal[], week: Week, people: readonly Person[], pools: Pools): boolean {
  const pool = pools.get(poolKey(meal.box));
  if (!pool || isAllowedAgain(week, meal.person, meal.date, pool.recipe)) return false;
  const taste = tasteOf(meal, pool);
  const repeats = repeatsAt(
    people.find(({ id }) => id === meal.person),
    meal.meal,
  );
  const yesterday = dayAfter(meal.date, -1);
  return all.some((other) => {
    if (other === meal || other.person !== meal.person || (other.date !== meal.date && other.date !== yesterday)) return false;
    if (other.date !== meal.date && other.meal === meal.meal && repeats) return false;
    const its = pools.get(poolKey(other.box));
    return its !== undefined && tasteOf(other, its) === taste;
  });
}

/** A box of the same dish that has to be eaten sooner and is eaten later, though it could be eaten here. */
function orderNote(meal: PlannedMeal, pool: BoxPool, meals: readonly PlannedMeal[], pools: Pools): MealNote[] {
  const until = (one: BoxPool) => one.fridgeUntil ?? one.freezerUntil ?? one.cooked;
  for (const other of meals) {
    const its = pools.get(poolKey(other.box));
    if (!its || its === pool || its.recipe !== pool.recipe || its.name !== pool.name || other.date <= meal.date) continue;
    const sooner = until(its) < until(pool);
    if (sooner && typeof whenceOn(its, meal.date, meal.meal) === 'string' && typeof whenceOn(pool, other.date, other.meal) === 'string')
      return [{ kind: 'out of order', before: until(its) }];
  }
  return [];
}
