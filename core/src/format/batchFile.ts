import {
  KEEPS,
  LEFT_TO,
  type Batch,
  type BatchBox,
  type BoxAim,
  type LeftTo,
  type MeasuredTemperature,
  type BatchDiscard,
  type BatchLine,
  type BatchPart,
  type Cooking,
  type Keep,
  type PaidPack,
  type PhotoTaken,
  type Timer,
} from '../batch/index.js';
import {
  Day,
  Flag,
  Id,
  Instant,
  Many,
  ManyAnyOf,
  NumbersByName,
  One,
  OneOf,
  Optional,
  Price,
  Quantity,
  Text,
  Texts,
  WholeNumber,
  WholeNumbers,
  must,
} from './constraints.js';
import { RecipeEntry } from './kitchenFile.js';

/** Characters of a place, "part/line", at most. */
const LONGEST_PLACE = 241;
/** Boxes of a name, at most. */
const MOST_BOXES = 10_000;
const BEST_RATING = 5;

/** A line that was weighed. */
export class WeighedLineEntry {
  @Text(LONGEST_PLACE, true) at: string;
  @Quantity() grams: number;
  @Optional() @OneOf(['AP', 'EP']) as?: 'AP' | 'EP';
  @Optional() @Quantity({ above: 0 }) trimmedFrom?: number;
}

/** Another food in a line's place. */
export class InsteadLineEntry {
  @Text(LONGEST_PLACE, true) at: string;
  @Id() food: string;
  @Quantity() grams: number;
  @Optional() @OneOf(['AP', 'EP']) as?: 'AP' | 'EP';
}

/** A line that was left out. */
export class LeftOutLineEntry {
  @Text(LONGEST_PLACE, true) at: string;
  @must('must be true', (found) => found === true, { enum: [true] }) out: true;
}

/** A line more, at the end of its part. */
export class MoreLineEntry {
  @Id() part: string;
  @Id() food: string;
  @Quantity() grams: number;
  @Optional() @OneOf(['AP', 'EP']) as?: 'AP' | 'EP';
}

export class BatchPartEntry implements BatchPart {
  @Id() part: string;
  @Optional() @Quantity({ above: 0 }) net?: number;
  @Optional() @Quantity({ above: 0 }) gross?: number;
  @Optional() @Quantity({ above: 0 }) tare?: number;
  @Optional() @Quantity({ above: 0 }) pieces?: number;
  @Optional() @Quantity({ above: 0 }) volume?: number;
}

export class BatchDiscardEntry implements BatchDiscard {
  @Id() part: string;
  @Id() food: string;
  @Quantity() grams: number;
}

export class PaidEntry implements PaidPack {
  @Id() food: string;
  @Quantity({ above: 0 }) net: number;
  @Text(60, true) unit: string;
  @Price() price: number | string;
  @Text(120, true) shop: string;
}

/** Energy that a box is to have, kcal. */
export class AimEntry implements BoxAim {
  @Optional() @Quantity({ above: 0 }) atLeast?: number;
  @Optional() @Quantity({ above: 0 }) atMost?: number;
}

export class BoxEntry implements BatchBox {
  @Text(80, true) name: string;
  @Optional() @WholeNumber(1, MOST_BOXES) count?: number;
  @NumbersByName(false) grams: { readonly [part: string]: number };
  @Optional() @OneOf(KEEPS) keep?: Keep;
  @Optional() @Texts(120) eye?: string[];
  @Optional() @Quantity({ above: 0 }) holds?: number;
  @Optional() @One(() => AimEntry) aim?: AimEntry;
  @Optional() @Day() useBy?: string;
  @Optional() @Text(300) because?: string;
}

export class MinutesEntry {
  @Optional() @Quantity({ most: 100_000 }) active?: number;
  @Optional() @Quantity({ most: 100_000 }) total?: number;
}

/** A clock that runs while a batch is cooked. */
export class TimerEntry implements Timer {
  @Id() id: string;
  @Text(120, true) name: string;
  @Quantity({ above: 0, most: 100_000 }) minutes: number;
  @Instant() started: string;
  @Optional() @WholeNumber(1, 200) step?: number;
}

/** A temperature measured in the middle of what is cooked. */
export class TemperatureEntry implements MeasuredTemperature {
  @WholeNumber(1, 200) step: number;
  @must('must be degrees Celsius, -40 to 400', (found) => typeof found === 'number' && found >= -40 && found <= 400, {
    type: 'number',
    minimum: -40,
    maximum: 400,
  })
  celsius: number;
  @Instant() at: string;
}

/** How far a batch is while it is cooked. */
export class CookingEntry implements Cooking {
  @Instant() begun: string;
  @WholeNumber(0, 200) step: number;
  @Optional() @Texts(LONGEST_PLACE) ready?: string[];
  @Optional() @WholeNumbers(1, 200, 200) done?: number[];
  @Optional() @WaysByStep() ways?: { readonly [step: string]: string };
  @Optional() @Many(() => TimerEntry, 50, 'timers') timers?: TimerEntry[];
}

/** Names of ways by the number of their step. */
function WaysByStep(): PropertyDecorator {
  return must(
    'must map numbers of steps to names of ways, such as {"3": "air fryer"}',
    (found) =>
      typeof found === 'object' &&
      found !== null &&
      !Array.isArray(found) &&
      Object.entries(found).length <= 200 &&
      Object.entries(found).every(([step, name]) => /^[1-9]\d{0,2}$/.test(step) && typeof name === 'string' && name.length <= 80),
    { type: 'object', additionalProperties: { type: 'string', maxLength: 80 } },
  );
}

/** Where what is left goes, by part. */
function LeftByPart(): PropertyDecorator {
  return must(
    'must map ids of parts to "tonight", "stock" or "away"',
    (found) =>
      typeof found === 'object' &&
      found !== null &&
      !Array.isArray(found) &&
      Object.entries(found).length <= 200 &&
      Object.values(found).every((to) => LEFT_TO.includes(to as LeftTo)),
    { type: 'object', additionalProperties: { enum: [...LEFT_TO] } },
  );
}

/** A photo of the file's list, and what can be seen on it. */
export class BatchPhotoEntry implements PhotoTaken {
  @Id() id: string;
  @Optional() @Text(300) alt?: string;
}

/** A dish as it was cooked. */
export class BatchEntry implements Batch {
  @Id() id: string;
  @Id() recipe: string;
  @Day() date: string;
  @Optional() @WholeNumber(1, 1e9) servings?: number;
  @Optional() @Text(80, true) variant?: string;
  @Optional()
  @ManyAnyOf(
    'must be {"at", "grams"}, {"at", "food", "grams"}, {"at", "out": true} or {"part", "food", "grams"}, where grams are given with "as" or without',
    1000,
    'lines',
    { types: [WeighedLineEntry, InsteadLineEntry, LeftOutLineEntry, MoreLineEntry] },
  )
  lines?: BatchLine[];
  @Optional() @Many(() => BatchPartEntry, 200, 'parts') parts?: BatchPartEntry[];
  @Optional() @Many(() => BatchDiscardEntry, 200, 'discards') discards?: BatchDiscardEntry[];
  @Optional() @Many(() => PaidEntry, 500, 'packs') paid?: PaidEntry[];
  @Optional() @Many(() => BoxEntry, 500, 'boxes') boxes?: BoxEntry[];
  @Optional() @LeftByPart() leftTo?: { readonly [part: string]: LeftTo };
  @Optional() @Many(() => TemperatureEntry, 200, 'temperatures') temperatures?: TemperatureEntry[];
  @Optional() @One(() => MinutesEntry) minutes?: MinutesEntry;
  @Optional() @WholeNumber(1, BEST_RATING) rating?: number;
  @Optional() @Text(2000) note?: string;
  @Optional() @Text(120) by?: string;
  @Optional() @One(() => BatchPhotoEntry) photo?: BatchPhotoEntry;
  @Optional() @Flag() leaveOut?: boolean;
  @Optional() @One(() => RecipeEntry) then?: RecipeEntry;
  @Optional() @One(() => CookingEntry) cooking?: CookingEntry;
}

/** Every class of a batch, for the schema. */
export const BATCH_CLASSES = [
  WeighedLineEntry,
  InsteadLineEntry,
  LeftOutLineEntry,
  MoreLineEntry,
  BatchPartEntry,
  BatchDiscardEntry,
  PaidEntry,
  AimEntry,
  BoxEntry,
  MinutesEntry,
  TemperatureEntry,
  TimerEntry,
  CookingEntry,
  BatchPhotoEntry,
  BatchEntry,
] as const;
