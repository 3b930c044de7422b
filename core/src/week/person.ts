import type { Target } from '../recipe/index.js';

/** Meals of a day, in their order: before the shift, the main one, late. */
export const MEALS = ['before', 'main', 'late'] as const;
export type Meal = (typeof MEALS)[number];

/** When a meal is eaten: every day, or where the day's targets need it. */
export const MEAL_TIMES = ['always', 'if needed'] as const;
export type MealTime = (typeof MEAL_TIMES)[number];

/** How a person eats one meal of the day. */
export interface PersonMeal {
  readonly meal: Meal;
  /** Left out: always. */
  readonly when?: MealTime;
  /** The same dish may come day after day. */
  readonly repeats?: boolean;
  /** Ids of the recipes that are eaten then; left out: any. */
  readonly dishes?: readonly string[];
}

/** Somebody who eats from the boxes. */
export interface Person {
  readonly id: string;
  readonly name: string;
  /** What a day is to come to, all its boxes together. */
  readonly targets?: readonly Target[];
  /** Left out: as usual (`mealsOf`). A meal that is not listed is not eaten from a box. */
  readonly meals?: readonly PersonMeal[];
}

const USUAL_MEALS: readonly PersonMeal[] = [
  { meal: 'before', when: 'if needed', repeats: true },
  { meal: 'main', when: 'always' },
  { meal: 'late', when: 'if needed' },
];

/** The meals a person eats from boxes, in the order of the day. */
export function mealsOf({ meals = USUAL_MEALS }: Pick<Person, 'meals'>): PersonMeal[] {
  return MEALS.flatMap((meal) => meals.find((one) => one.meal === meal) ?? []);
}
