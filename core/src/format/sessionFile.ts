import type { StepUse } from '../recipe/index.js';
import type { AdjustedStep, DoneStep, Equipment, PinnedStep, Session, SessionDish } from '../plan/index.js';
import type { StockItem } from '../shop/index.js';
import { Day, Id, Many, Optional, Quantity, Text, Texts, WholeNumber, must } from './constraints.js';
import { Uses } from './kitchenFile.js';

/** Minutes of more than a month: nothing is planned so far. */
const LATEST_MINUTE = 100_000;
const MOST_DISHES = 60;

/** Step numbers to names of ways. */
function Chosen(): PropertyDecorator {
  return must(
    'must map numbers of steps to names of ways, such as {"3": "air fryer"}',
    (found) =>
      typeof found === 'object' &&
      found !== null &&
      !Array.isArray(found) &&
      Object.entries(found).length <= 200 &&
      Object.entries(found).every(([number, way]) => /^[1-9]\d{0,4}$/.test(number) && typeof way === 'string' && way.length <= 80),
    {
      type: 'object',
      maxProperties: 200,
      propertyNames: { pattern: '^[1-9]\\d{0,4}$' },
      additionalProperties: { type: 'string', maxLength: 80 },
    },
  );
}

/** A time of a day: "09:30". */
function TimeOfDay(): PropertyDecorator {
  return must('must be a time of day such as "09:30"', (found) => typeof found === 'string' && /^([01]\d|2[0-3]):[0-5]\d$/.test(found), {
    type: 'string',
    pattern: '^([01]\\d|2[0-3]):[0-5]\\d$',
  });
}

export class SessionDishEntry implements SessionDish {
  @Id() recipe: string;
  @Optional() @Quantity({ least: 1 }) boxes?: number;
  @Optional() @Chosen() choose?: { [step: string]: string };
}

export class EquipmentEntry implements Equipment {
  @Text(60, true) name: string;
  @Optional() @WholeNumber(0, 100) count?: number;
  @Optional() @WholeNumber(1, 100) shelves?: number;
}

export class DoneStepEntry implements DoneStep {
  @WholeNumber(1, MOST_DISHES) dish: number;
  @WholeNumber(1, 100_000) step: number;
  @WholeNumber(0, LATEST_MINUTE) start: number;
  @Optional() @WholeNumber(0, LATEST_MINUTE) end?: number;
}

export class PinnedStepEntry implements PinnedStep {
  @WholeNumber(1, MOST_DISHES) dish: number;
  @WholeNumber(1, 100_000) step: number;
  @WholeNumber(0, LATEST_MINUTE) start: number;
}

export class AdjustedStepEntry implements AdjustedStep {
  @WholeNumber(1, MOST_DISHES) dish: number;
  @WholeNumber(1, 100_000) step: number;
  @Optional() @WholeNumber(0, LATEST_MINUTE) minutes?: number;
  @Optional() @WholeNumber(0, LATEST_MINUTE) hands?: number;
  @Optional() @Uses() uses?: StepUse[];
  @Optional() @WholeNumber(0, LATEST_MINUTE) within?: number;
}

export class SessionEntry implements Session {
  @Id() id: string;
  @Day() date: string;
  @Many(() => SessionDishEntry, MOST_DISHES, 'dishes') dishes: SessionDishEntry[];
  @Optional() @TimeOfDay() start?: string;
  @Optional() @WholeNumber(1, 20) cooks?: number;
  @Optional() @Many(() => EquipmentEntry, 100, 'kinds of equipment') equipment?: EquipmentEntry[];
  @Optional() @Quantity({ most: 500 }) ovenTolerance?: number;
  @Optional() @Many(() => DoneStepEntry, 1000, 'steps done') done?: DoneStepEntry[];
  @Optional() @Many(() => AdjustedStepEntry, 1000, 'adjusted steps') adjusted?: AdjustedStepEntry[];
  @Optional() @Many(() => PinnedStepEntry, 1000, 'pinned steps') pinned?: PinnedStepEntry[];
  @Optional() @Text(200) name?: string;
  @Optional() @Texts(60) cookNames?: string[];
  @Optional() @TimeOfDay() finishBy?: string;
}

export class StockEntry implements StockItem {
  @Id() food: string;
  @Quantity() amount: number;
  @Text(60, true) unit: string;
  @Optional() @Day() bestBefore?: string;
  @Optional() @Text(60) place?: string;
}

/** Classes of sessions and stock, for the schema. */
export const SESSION_CLASSES = [
  SessionDishEntry,
  EquipmentEntry,
  DoneStepEntry,
  PinnedStepEntry,
  AdjustedStepEntry,
  SessionEntry,
  StockEntry,
];
