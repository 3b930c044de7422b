import type { FitBound, Portion, Scaling } from '../recipe/index.js';

const MOST = 1e9;

/** Whether something is a number from 0 to 1e9. */
export function isQuantity(found: unknown): found is number {
  return typeof found === 'number' && Number.isFinite(found) && found >= 0 && found <= MOST;
}

/** Whether something is a written amount: a number, or a range of two in order. */
export function isSound(found: unknown): boolean {
  if (Array.isArray(found)) return found.length === 2 && isQuantity(found[0]) && isQuantity(found[1]) && found[0] <= found[1];
  return isQuantity(found);
}

/** Whether something is a scaling rule, with nothing else in it. */
export function isScaling(found: unknown): found is Scaling {
  if (found === 'proportional' || found === 'fixed' || found === 'whole') return true;
  if (!isObject(found)) return false;
  if (hasOnly(found, ['damped'])) return isQuantity(found.damped);
  if (hasOnly(found, ['ratioTo', 'share'])) return typeof found.ratioTo === 'string' && isQuantity(found.share);
  if (!hasOnly(found, ['evaporation'])) return false;
  return isObject(found.evaporation) && hasOnly(found.evaporation, ['perBatch']) && isQuantity(found.evaporation.perBatch);
}

/** Whether something is a bound for making a dish fit, with nothing else in it. */
export function isFitBound(found: unknown): found is FitBound {
  if (found === 'locked' || found === 'whole' || found === 'packs') return true;
  if (!isObject(found)) return false;
  if (hasOnly(found, ['within'])) return isQuantity(found.within) && found.within > 0 && found.within <= 10;
  return hasOnly(found, ['withLine']) && typeof found.withLine === 'string';
}

/** Whether something is a way of portioning, its numbers above 0 and nothing else in it. */
export function isPortion(found: unknown): found is Portion {
  if (!isObject(found)) return false;
  if (found.by === 'equal') return hasOnly(found, ['by']);
  if (found.by === 'grams') return hasOnly(found, ['by', 'grams']) && isAboveZero(found.grams);
  if (found.by !== 'pieces' && found.by !== 'volume') return false;
  return hasOnly(found, ['by', 'made', 'each']) && isAboveZero(found.made) && isAboveZero(found.each);
}

const quantity = { type: 'number', minimum: 0, maximum: MOST };
const aboveZero = { type: 'number', exclusiveMinimum: 0, maximum: MOST };
/** JSON Schema of an object with these keys and no other. */
const exactly = (properties: object) => ({ type: 'object', properties, required: Object.keys(properties), additionalProperties: false });

/** JSON Schema of a scaling rule. */
export const SCALING_SCHEMA = {
  oneOf: [
    { enum: ['proportional', 'fixed', 'whole'] },
    exactly({ damped: quantity }),
    exactly({ ratioTo: { type: 'string' }, share: quantity }),
    exactly({ evaporation: exactly({ perBatch: quantity }) }),
  ],
};

/** JSON Schema of a bound for making a dish fit. */
export const FIT_BOUND_SCHEMA = {
  oneOf: [
    { enum: ['locked', 'whole', 'packs'] },
    exactly({ within: { type: 'number', exclusiveMinimum: 0, maximum: 10 } }),
    exactly({ withLine: { type: 'string' } }),
  ],
};

/** JSON Schema of a way of portioning. */
export const PORTION_SCHEMA = {
  oneOf: [
    exactly({ by: { const: 'equal' } }),
    exactly({ by: { const: 'grams' }, grams: aboveZero }),
    exactly({ by: { enum: ['pieces', 'volume'] }, made: aboveZero, each: aboveZero }),
  ],
};

function isAboveZero(found: unknown): boolean {
  return isQuantity(found) && found > 0;
}

function isObject(found: unknown): found is { readonly [key: string]: unknown } {
  return typeof found === 'object' && found !== null && !Array.isArray(found);
}

function hasOnly(found: object, keys: readonly string[]): boolean {
  const own = Object.keys(found);
  return own.length === keys.length && keys.every((key) => Object.hasOwn(found, key));
}
