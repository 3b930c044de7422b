import pluralize from 'pluralize';
import { COUNT_WORDS, KITCHEN_WORDS } from '../quantity/index.js';

/** A unit as people write it: the kitchen file's word, and how many of it one is. */
export interface WrittenUnitWord {
  readonly unit: string;
  readonly times: number;
}

/** Words for units, each row the kitchen file's word and what people write for it. Case matters only where it says so. */
const ROWS: readonly (readonly [unit: string, aliases: string, times?: number])[] = [
  ['g', 'g gr gm gms gram grams gramme grammes'],
  ['kg', 'kg kgs kilo kilos kilogram kilograms kilogramme kilogrammes'],
  ['mg', 'mg milligram milligrams'],
  ['oz', 'oz ozs ounce ounces'],
  ['lb', 'lb lbs pound pounds'],
  ['ml', 'ml mls millilitre millilitres milliliter milliliters'],
  ['ml', 'cl centilitre centilitres', 10],
  ['ml', 'dl decilitre decilitres', 100],
  ['l', 'l ltr litre litres liter liters'],
  ['tsp', 'tsp tsps teaspoon teaspoons'],
  ['tbsp', 'tbsp tbsps tbs tbl tablespoon tablespoons'],
  ['floz', 'floz fl-oz fluid-ounce fluid-ounces'],
  ['cup', 'cup cups c'],
  ['pint', 'pint pints pt pts'],
  ['quart', 'quart quarts qt qts'],
  ['ml', 'dessertspoon dessertspoons dsp dstsp', 10],
  ['can', 'can cans tin tins'],
  ['pack', 'pack packs pkg pkt pkts package packages pouch pouches container containers'],
  ['serving', 'serving servings portion portions'],
  ['turn', 'turn turns grind grinds'],
];

const ALIASES: ReadonlyMap<string, WrittenUnitWord> = new Map([
  ...[...COUNT_WORDS, ...KITCHEN_WORDS.map(({ word }) => word)].flatMap((word) => [
    [word, { unit: word, times: 1 }] as const,
    [pluralize(word), { unit: word, times: 1 }] as const,
  ]),
  ...ROWS.flatMap(([unit, aliases, times = 1]) => aliases.split(' ').map((alias) => [alias, { unit, times }] as const)),
]);

/** Every word a unit is written by, those of weight and volume first. */
export const UNIT_WORDS: readonly string[] = [
  ...ROWS.flatMap(([, aliases]) => aliases.split(' ')),
  ...[...ALIASES.keys()].filter((alias) => !ROWS.some(([, aliases]) => aliases.split(' ').includes(alias))),
];

/** Units that hold a weight of their own, stated in brackets: "2 cans (400 g)". */
export const CONTAINERS: ReadonlySet<string> = new Set([
  'can',
  'jar',
  'bottle',
  'carton',
  'tub',
  'bag',
  'sachet',
  'packet',
  'pack',
  'box',
  'block',
  'pot',
  'punnet',
  'tray',
]);

/**
 * The unit a word stands for.
 *
 * @example unitOfWord('Tablespoons') // { unit: 'tbsp', times: 1 }
 */
export function unitOfWord(word: string): WrittenUnitWord | undefined {
  const bare = word.replace(/\.$/, '');
  if (bare === 'T') return { unit: 'tbsp', times: 1 };
  if (bare === 't') return { unit: 'tsp', times: 1 };
  return ALIASES.get(bare.toLowerCase());
}
