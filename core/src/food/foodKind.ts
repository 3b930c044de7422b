import type { Food } from './food.js';

/** Kinds of food that cautions ask about. */
export type FoodKind = 'poultry' | 'mince' | 'whole cut' | 'fish' | 'egg' | 'rice' | 'dry beans' | 'shellfish';

/** Rice as it is cooked, not what is made of it. */
const RICE =
  /(?<!cauliflower )\brice\b(?!,? (?:noodle|vinegar|flour|milk|drink|bran|paper|cake|cracker|crisp|syrup|wine|starch|pudding|protein))/i;

/** What a food is by its name and aisle. Each row: kind, words of its name, aisles it must be in (none: any). */
const ROWS: readonly (readonly [FoodKind, RegExp, readonly string[]])[] = [
  ['poultry', /\b(?:chicken|turkey|duck|goose|guinea fowl)\b/i, ['meat-poultry']],
  ['mince', /\b(?:mince|minced|ground (?:beef|pork|lamb|turkey|chicken)|sausage|burger)\b/i, ['meat-poultry']],
  ['whole cut', /\b(?:beef|pork|lamb|veal|venison|rabbit|gammon)\b/i, ['meat-poultry']],
  ['shellfish', /\b(?:prawn|shrimp|mussel|crab|squid|scallop|lobster)s?\b/i, []],
  ['fish', /./, ['fish-seafood']],
  ['egg', /\beggs?\b/i, ['eggs-dairy']],
  ['rice', RICE, ['grains-pasta-bread']],
  ['dry beans', /\b(?:bean|beans|chickpea|chickpeas)\b/i, ['pulses']],
];

/** Kinds that a food is of by its name where nobody said its aisle: what keeps shortest is not overlooked. */
const BY_NAME_ALONE: ReadonlySet<FoodKind> = new Set(['rice']);

/**
 * The kinds a food is of, for the cautions on a card. Cooked and canned foods need no core temperature of their own but
 * count all the same for what is kept: rice is rice.
 */
export function kindsOf(food: Food): FoodKind[] {
  const kinds = ROWS.filter(
    ([kind, words, aisles]) =>
      words.test(food.name) && (aisles.length === 0 || (food.aisle === undefined ? BY_NAME_ALONE.has(kind) : aisles.includes(food.aisle))),
  ).map(([kind]) => kind);
  const sure = kinds.includes('mince') || kinds.includes('poultry') ? kinds.filter((kind) => kind !== 'whole cut') : kinds;
  if (food.state !== 'dry') return sure.filter((kind) => kind !== 'dry beans');
  return sure;
}
