import { KEEPS, type Keep } from '../batch/index.js';
import {
  MEAL_TIMES,
  MEALS,
  type AgainAllowed,
  type BatchBoxes,
  type BoxOf,
  type GoneBoxes,
  type Meal,
  type MealTime,
  type Person,
  type PersonMeal,
  type PlannedMeal,
  type Seasoned,
  type SessionBoxes,
  type Week,
} from '../week/index.js';
import { AnyOf, Day, Flag, Id, Many, OneOf, Optional, Text, Texts, WholeNumber } from './constraints.js';
import { TargetEntry } from './kitchenFile.js';

/** People who eat from the boxes, at most. */
export const MOST_PEOPLE = 50;
const MOST_MEALS = 3 * 7 * MOST_PEOPLE;
const MOST_DISHES = 60;

export class PersonMealEntry implements PersonMeal {
  @OneOf(MEALS) meal: Meal;
  @Optional() @OneOf(MEAL_TIMES) when?: MealTime;
  @Optional() @Flag() repeats?: boolean;
  @Optional() @Texts(120) dishes?: string[];
}

export class PersonEntry implements Person {
  @Id() id: string;
  @Text(80, true) name: string;
  @Optional() @Many(() => TargetEntry, 100, 'targets') targets?: TargetEntry[];
  @Optional() @Many(() => PersonMealEntry, MEALS.length, 'meals') meals?: PersonMealEntry[];
}

/** Boxes of a batch. */
export class BatchBoxesEntry implements BatchBoxes {
  @Id() batch: string;
  @Text(80, true) name: string;
  @Optional() @OneOf(KEEPS) keep?: Keep;
  @Optional() @WholeNumber(2, 10_000) nth?: number;
}

/** Boxes of a dish of a session. */
export class SessionBoxesEntry implements SessionBoxes {
  @Id() session: string;
  @WholeNumber(1, MOST_DISHES) dish: number;
  @Optional() @Text(80, true) variant?: string;
}

/** What boxes are spoken of. */
function Boxes(): PropertyDecorator {
  return AnyOf('must be {"batch", "name", "keep"} or {"session", "dish"}', { types: [BatchBoxesEntry, SessionBoxesEntry] });
}

export class PlannedMealEntry implements PlannedMeal {
  @Id() person: string;
  @Day() date: string;
  @OneOf(MEALS) meal: Meal;
  @Boxes() box: BoxOf;
}

export class DayOffEntry {
  @Id() person: string;
  @Day() date: string;
}

export class AgainEntry implements AgainAllowed {
  @Id() person: string;
  @Day() date: string;
  @Id() recipe: string;
}

export class SeasonedEntry implements Seasoned {
  @Id() session: string;
  @WholeNumber(1, MOST_DISHES) dish: number;
  @Texts(80) variants: string[];
}

export class GoneBoxesEntry implements GoneBoxes {
  @Boxes() box: BoxOf;
  @WholeNumber(1, 10_000) count: number;
}

export class WeekEntry implements Week {
  @Id() id: string;
  @Day() from: string;
  @Many(() => PlannedMealEntry, MOST_MEALS, 'meals') meals: PlannedMealEntry[];
  @Optional() @Many(() => DayOffEntry, 7 * MOST_PEOPLE, 'days off') off?: DayOffEntry[];
  @Optional() @Many(() => AgainEntry, MOST_MEALS, 'dishes that may come again') again?: AgainEntry[];
  @Optional() @Many(() => SeasonedEntry, 1000, 'seasoned dishes') seasoned?: SeasonedEntry[];
  @Optional() @Many(() => GoneBoxesEntry, 1000, 'kinds of boxes that are gone') gone?: GoneBoxesEntry[];
}

/** Classes of people and weeks, for the schema. */
export const WEEK_CLASSES = [
  PersonMealEntry,
  PersonEntry,
  BatchBoxesEntry,
  SessionBoxesEntry,
  PlannedMealEntry,
  DayOffEntry,
  AgainEntry,
  SeasonedEntry,
  GoneBoxesEntry,
  WeekEntry,
];
