import { daysOfWeek, MEALS, poolKey, whenceOn, type BoxOf, type BoxPool, type Meal, type PlannedMeal, type Week } from '@portiona/core';
import type { LeftOutDishDto } from '../../api/api.gen';

/** A meal of somebody on a day. */
export interface MealPlace {
  readonly person: string;
  readonly date: string;
  readonly meal: Meal;
}

export const isAt = (place: MealPlace) => (one: MealPlace) =>
  one.person === place.person && one.date === place.date && one.meal === place.meal;

/** A week with some keys changed; an empty list that may be left out is left out. */
function withKeys(week: Week, keys: Partial<Week>): Week {
  const entries = Object.entries({ ...week, ...keys });
  return Object.fromEntries(entries.filter(([key, held]) => key === 'meals' || !Array.isArray(held) || held.length > 0)) as unknown as Week;
}

/** Meals in the order of days, people as they come, and meals of the day: so that two ways to the same week write the same. */
function inOrder(meals: readonly PlannedMeal[]): PlannedMeal[] {
  const key = ({ date, person, meal }: PlannedMeal) => `${date} ${person} ${MEALS.indexOf(meal)}`;
  return [...meals].sort((a, b) => (key(a) < key(b) ? -1 : 1));
}

/** A box given to a meal, or taken back from it. */
export function withBox(week: Week, place: MealPlace, box: BoxOf | undefined): Week {
  const others = week.meals.filter((one) => !isAt(place)(one));
  const { person, date, meal } = place;
  return withKeys(week, { meals: inOrder(box ? [...others, { person, date, meal, box }] : others) });
}

/** Boxes given to meals that have none. */
export function withMeals(week: Week, meals: readonly PlannedMeal[]): Week {
  const free = meals.filter((meal) => !week.meals.some(isAt(meal)));
  return withKeys(week, { meals: inOrder([...week.meals, ...free]) });
}

/** A box moved to another meal; what is there comes back in its place. */
export function withMoved(week: Week, from: MealPlace, to: MealPlace): Week {
  const [moved, there] = [week.meals.find(isAt(from)), week.meals.find(isAt(to))];
  if (!moved || isAt(from)(to)) return week;
  const taken = withBox(week, to, moved.box);
  return withBox(taken, from, there?.box);
}

/** Boxes given from a day on taken back. */
export function withoutMeals(week: Week, from: string): Week {
  return withKeys(week, { meals: week.meals.filter(({ date }) => date < from) });
}

/** Somebody eats elsewhere that day, and what they were given goes back; or eats from the boxes again. */
export function withOff(week: Week, person: string, date: string, off: boolean): Week {
  const others = (week.off ?? []).filter((one) => one.person !== person || one.date !== date);
  return withKeys(week, {
    off: off ? [...others, { person, date }] : others,
    meals: off ? week.meals.filter((one) => one.person !== person || one.date !== date) : week.meals,
  });
}

/** A dish may come to somebody that day though it came the day before, or twice. */
export function withAgain(week: Week, person: string, date: string, recipe: string): Week {
  const others = (week.again ?? []).filter((one) => one.person !== person || one.date !== date || one.recipe !== recipe);
  return withKeys(week, { again: [...others, { person, date, recipe }] });
}

/** Which variants the boxes of a session's dish are seasoned as, one by one. */
export function withSeasoned(week: Week, session: string, dish: number, variants: readonly string[]): Week {
  const others = (week.seasoned ?? []).filter((one) => one.session !== session || one.dish !== dish);
  return withKeys(week, { seasoned: variants.length === 0 ? others : [...others, { session, dish, variants }] });
}

/** So many more boxes of a pool are gone, or so many fewer. */
export function withGone(week: Week, pool: BoxPool, more: number): Week {
  const own = (one: { readonly box: BoxOf }) => poolKey(one.box) === pool.key;
  const before = (week.gone ?? []).filter(own).reduce((sum, { count }) => sum + count, 0);
  const others = (week.gone ?? []).filter((one) => !own(one));
  const count = before + more;
  return withKeys(week, { gone: count > 0 ? [...others, { box: pool.box, count }] : others });
}

/**
 * Boxes of a session's dish that was cooked since, taken from what was really filled: each from boxes that are good for its day, those to
 * be eaten soonest first. A meal for which there is none stays as it was.
 */
export function repointed(week: Week, cooked: readonly LeftOutDishDto[], pools: readonly BoxPool[]): Week {
  const used = new Map<string, number>();
  for (const { box } of week.meals) used.set(poolKey(box), (used.get(poolKey(box)) ?? 0) + 1);
  const meals = [...week.meals]
    .sort((a, b) => (a.date < b.date ? -1 : 1))
    .map((meal) => {
      const { box } = meal;
      const dish = 'session' in box && cooked.find((one) => one.kind === 'cooked' && one.session === box.session && one.dish === box.dish);
      if (!dish) return meal;
      const pool = pools.find(
        (one) =>
          'batch' in one.box &&
          one.box.batch === dish.batch &&
          (used.get(one.key) ?? 0) < one.count &&
          typeof whenceOn(one, meal.date, meal.meal) === 'string',
      );
      if (!pool) return meal;
      used.set(pool.key, (used.get(pool.key) ?? 0) + 1);
      return { ...meal, box: pool.box };
    });
  return withKeys(week, { meals: inOrder(meals) });
}

/** The Monday of a day's week. */
export function mondayOf(date: string): string {
  const day = new Date(`${date}T12:00:00Z`);
  day.setUTCDate(day.getUTCDate() - ((day.getUTCDay() + 6) % 7));
  return day.toISOString().slice(0, 10);
}

/** A week in which nothing is planned. */
export function emptyWeek(from: string): Week {
  return { id: `week-${from}`, from, meals: [] };
}

/** Whether a day is one of a week. */
export function isOfWeek(week: Week, date: string): boolean {
  return daysOfWeek(week).includes(date);
}
