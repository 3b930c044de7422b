import {
  IsIn,
  Matches,
  MaxLength,
  ValidateBy,
  ValidateIf,
  ValidateNested,
  IsArray,
  IsBoolean,
  IsString,
  isISO4217CurrencyCode,
} from 'class-validator';
import { Type } from 'class-transformer';
import { isSoundEntry } from './entryFaults.js';
import { noteClass, noteKinds, noteOptional, noteSchema, schemaRef, type SchemaPiece } from './schemaNotes.js';

/** The greatest number a kitchen file may hold. */
const MOST = 1e9;
/** Texts in a list of them. */
const MOST_TEXTS = 100;
/** Digits and hyphens, then a letter, then any of them. */
const LINE_ID = /^[0-9-]*[a-z][a-z0-9-]*$/;
const PRICE_TEXT = /^\d{1,10}(\.\d{1,20})?$/;

/** The key may be left out; null does not stand for that. */
export function Optional(): PropertyDecorator {
  return all(
    ValidateIf((_, found) => found !== undefined),
    noteOptional(),
  );
}

/** A finite number from 0 to 1e9, or within narrower bounds. */
export function Quantity(bounds: { above?: number; least?: number; most?: number; below?: number } = {}): PropertyDecorator {
  const { above, least = 0, most = MOST, below } = bounds;
  const floor = above === undefined ? `${least}` : `above ${above}`;
  const ceiling = below === undefined ? `to ${most === MOST ? '1e9' : most}` : `to below ${below}`;
  return must(
    `must be a number ${above === undefined ? 'from ' : ''}${floor} ${ceiling}`,
    (found) =>
      typeof found === 'number' &&
      Number.isFinite(found) &&
      (above === undefined ? found >= least : found > above) &&
      found <= most &&
      (below === undefined || found < below),
    {
      type: 'number',
      ...(above === undefined ? { minimum: least } : { exclusiveMinimum: above }),
      maximum: most,
      ...(below === undefined ? {} : { exclusiveMaximum: below }),
    },
  );
}

/** Lower-case letters, digits and hyphens. */
export function Id(): PropertyDecorator {
  return all(
    IsString({ message: 'must be a text of lower-case letters, digits and hyphens' }),
    MaxLength(120, { message: 'is longer than 120 characters; shorten it' }),
    Matches(/^[a-z0-9-]+$/, { message: 'must be lower-case letters, digits and hyphens, such as "red-lentils"' }),
    noteSchema({ type: 'string', maxLength: 120, pattern: '^[a-z0-9-]+$' }),
  );
}

/** What a line is known by in its part: an id with a letter in it, so that it is no number. */
export function LineId(): PropertyDecorator {
  return all(
    IsString({ message: 'must be a text of lower-case letters, digits and hyphens' }),
    MaxLength(120, { message: 'is longer than 120 characters; shorten it' }),
    Matches(LINE_ID, { message: 'must be lower-case letters, digits and hyphens, at least one of them a letter, such as "plums"' }),
    noteSchema({ type: 'string', maxLength: 120, pattern: LINE_ID.source }),
  );
}

/** A text of at most so many characters, not empty when `filled`. */
export function Text(most: number, filled = false): PropertyDecorator {
  return all(
    IsString({ message: 'must be a text' }),
    MaxLength(most, { message: `is longer than ${most} characters; shorten it` }),
    ...(filled ? [Matches(/\S/, { message: 'must not be empty' })] : []),
    noteSchema({ type: 'string', maxLength: most, ...(filled ? { pattern: '\\S' } : {}) }),
  );
}

/** One of a list of words; the message suggests the nearest. */
export function OneOf(words: readonly string[]): PropertyDecorator {
  return all(IsIn(words as string[], { message: `must be one of: ${words.join(', ')}` }), noteSchema({ enum: words }));
}

/** true or false. */
export function Flag(): PropertyDecorator {
  return all(IsBoolean({ message: 'must be true or false' }), noteSchema({ type: 'boolean' }));
}

/** A real calendar day, ISO. */
export function Day(): PropertyDecorator {
  return must('must be a day such as "2026-11-25"', isDay, { type: 'string', format: 'date' });
}

/** An ISO 4217 currency code. */
export function Currency(): PropertyDecorator {
  return must(
    'must be an ISO 4217 code such as "EUR"',
    (found) => typeof found === 'string' && /^[A-Z]{3}$/.test(found) && isISO4217CurrencyCode(found),
    { type: 'string', pattern: '^[A-Z]{3}$' },
  );
}

/** A price: a decimal number or text, exact, from 0 to 1e9. */
export function Price(): PropertyDecorator {
  return must(
    'must be a decimal number or text from 0 to 1e9, such as "2.30"',
    (found) => {
      if (typeof found === 'string') return PRICE_TEXT.test(found) && Number(found) <= MOST;
      return typeof found === 'number' && Number.isFinite(found) && found >= 0 && found <= MOST;
    },
    {
      oneOf: [
        { type: 'number', minimum: 0, maximum: MOST },
        { type: 'string', pattern: PRICE_TEXT.source },
      ],
    },
  );
}

/** A written amount: a number, or a range of two in order. */
export function WrittenAmount(): PropertyDecorator {
  const number = { type: 'number', minimum: 0, maximum: MOST };
  return must('must be a number from 0 to 1e9, or a range such as [2, 3]', isWrittenAmount, {
    oneOf: [number, { type: 'array', prefixItems: [number, number], minItems: 2, maxItems: 2 }],
  });
}

/** One of some words, a text of at most so many characters, or an object of one of some classes, as its rules say. */
export interface AnyKind {
  readonly words?: readonly string[];
  readonly text?: number;
  readonly types: readonly (new () => object)[];
}

/** Something of one of several kinds. */
export function AnyOf(message: string, kind: AnyKind): PropertyDecorator {
  return all(
    must(message, (found) => isOfKind(found, kind), schemaOfKind(kind)),
    noteKinds(kind.types),
  );
}

/** A list of things, each of one of several kinds; what is wrong names its place in the list. */
export function ManyAnyOf(message: string, most: number, what: string, kind: AnyKind): PropertyDecorator {
  return all(
    IsArray({ message: 'must be a list' }),
    AtMost(most, what),
    must(message, (found) => isOfKind(found, kind), {}, true),
    noteSchema({ type: 'array', items: schemaOfKind(kind) }),
    noteKinds(kind.types),
  );
}

function isOfKind(found: unknown, { words = [], text, types }: AnyKind): boolean {
  if (typeof found === 'string') return words.includes(found) || (text !== undefined && found.length <= text);
  return typeof found === 'object' && found !== null && !Array.isArray(found) && types.some((type) => isSoundEntry(type, found));
}

function schemaOfKind({ words = [], text, types }: AnyKind): SchemaPiece {
  return {
    oneOf: [
      ...(words.length > 0 ? [{ enum: words }] : []),
      ...(text === undefined ? [] : [{ type: 'string', maxLength: text }]),
      ...types.map(schemaRef),
    ],
  };
}

/** Names to numbers. */
export function NumbersByName(above: boolean): PropertyDecorator {
  return must(
    `must map names to numbers ${above ? 'above 0' : 'from 0'} to 1e9, such as {"piece": 110}`,
    (found) => {
      if (typeof found !== 'object' || found === null || Array.isArray(found)) return false;
      const entries = Object.entries(found);
      return (
        entries.length <= 200 &&
        entries.every(
          ([name, size]) =>
            name.trim() !== '' &&
            name.length <= 60 &&
            typeof size === 'number' &&
            Number.isFinite(size) &&
            (above ? size > 0 : size >= 0) &&
            size <= MOST,
        )
      );
    },
    {
      type: 'object',
      maxProperties: 200,
      propertyNames: { maxLength: 60, pattern: '\\S' },
      additionalProperties: { type: 'number', ...(above ? { exclusiveMinimum: 0 } : { minimum: 0 }), maximum: MOST },
    },
  );
}

/** A list of words of one kind. */
export function ListOf(words: readonly string[]): PropertyDecorator {
  return all(
    IsArray({ message: 'must be a list' }),
    IsIn(words as string[], { each: true, message: `must be one of: ${words.join(', ')}` }),
    noteSchema({ type: 'array', items: { enum: words } }),
  );
}

/** A list of texts, each of at most so many characters. */
export function Texts(most: number): PropertyDecorator {
  return all(
    IsArray({ message: 'must be a list of texts' }),
    AtMost(MOST_TEXTS, 'texts'),
    IsString({ each: true, message: 'must be a text' }),
    MaxLength(most, { each: true, message: `is longer than ${most} characters; shorten it` }),
    noteSchema({ type: 'array', items: { type: 'string', maxLength: most } }),
  );
}

/** One object of a class. */
export function One(type: () => new () => object): PropertyDecorator {
  return all(
    must('must be an object', isObject, {}),
    ValidateNested({ message: 'must be an object' }),
    Type(type),
    noteRef(type, (ref) => ref),
  );
}

/**
 * A list of objects of a class.
 *
 * @param most how many it may hold
 * @param what they are called
 */
export function Many(type: () => new () => object, most = MOST, what = 'entries'): PropertyDecorator {
  return all(
    IsArray({ message: 'must be a list' }),
    ...(most === MOST ? [] : [AtMost(most, what)]),
    // class-validator takes a list within the list for more of its members.
    must('must be an object', isObject, {}, true),
    ValidateNested({ each: true, message: 'must be a list of objects' }),
    Type(type),
    noteRef(type, (items) => ({ type: 'array', items })),
  );
}

/** No more in a list than anybody has of it: what is computed from it takes no longer than a person waits. */
function AtMost(most: number, what: string): PropertyDecorator {
  return must(`must hold at most ${most} ${what}`, (found) => !Array.isArray(found) || found.length <= most, { maxItems: most });
}

/** A rule of our own with its message; of each member of a list, where it says so. */
export function must(
  message: string,
  holds: (found: unknown, owner: object) => boolean,
  schema: SchemaPiece,
  each = false,
): PropertyDecorator {
  const validate = ValidateBy(
    {
      name: message,
      validator: { validate: (found, context) => holds(found, context?.object ?? {}), defaultMessage: () => message },
    },
    { each },
  );
  return all(validate, noteSchema(schema));
}

/** Classes refer to classes defined before them, so the reference can be taken at once. */
function noteRef(type: () => new () => object, wrap: (ref: SchemaPiece) => SchemaPiece): PropertyDecorator {
  return all(noteSchema(wrap(schemaRef(type()))), noteClass(type()));
}

function all(...decorators: readonly PropertyDecorator[]): PropertyDecorator {
  return (target, key) => {
    for (const decorate of decorators) decorate(target, key);
  };
}

function isObject(found: unknown): boolean {
  return typeof found === 'object' && found !== null && !Array.isArray(found);
}

/** A number, or a range of two in order. */
function isWrittenAmount(found: unknown): boolean {
  const isQuantity = (one: unknown) => typeof one === 'number' && Number.isFinite(one) && one >= 0 && one <= MOST;
  return Array.isArray(found) ? found.length === 2 && found.every(isQuantity) && found[0] <= found[1] : isQuantity(found);
}

function isDay(found: unknown): boolean {
  if (typeof found !== 'string' || !/^\d{4}-\d{2}-\d{2}$/.test(found)) return false;
  const day = new Date(`${found}T00:00:00Z`);
  return !Number.isNaN(day.getTime()) && day.toISOString().startsWith(found);
}

/** A whole number within bounds. */
export function WholeNumber(least: number, most: number): PropertyDecorator {
  return must(
    `must be a whole number from ${least} to ${most === 1e9 ? '1e9' : most}`,
    (found) => Number.isInteger(found) && Number(found) >= least && Number(found) <= most,
    { type: 'integer', minimum: least, maximum: most },
  );
}

/** Whole numbers within bounds, no more than `longest` of them. */
export function WholeNumbers(least: number, most: number, longest: number): PropertyDecorator {
  return must(
    `must be a list of at most ${longest} whole numbers from ${least} to ${most}`,
    (found) =>
      Array.isArray(found) &&
      found.length <= longest &&
      found.every((one) => Number.isInteger(one) && Number(one) >= least && Number(one) <= most),
    { type: 'array', maxItems: longest, items: { type: 'integer', minimum: least, maximum: most } },
  );
}

/** A time of a day: "2026-11-26T14:13:00Z". */
export function Instant(): PropertyDecorator {
  return must(
    'must be an ISO time such as "2026-11-26T14:13:00Z"',
    (found) =>
      typeof found === 'string' && /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}(?:\.\d{1,3})?Z$/.test(found) && !Number.isNaN(Date.parse(found)),
    { type: 'string', format: 'date-time' },
  );
}
