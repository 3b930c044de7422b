import type { Food } from '../../food/index.js';

/** Words that speak of a whole group of foods, and which foods those are. Words as `foodWords` leaves them. */
const BY_AISLE: readonly (readonly [words: string, is: (food: Food) => boolean])[] = [
  ['meat poultry', aisle('meat-poultry')],
  ['steak fillet', (food) => aisle('meat-poultry')(food) || aisle('fish-seafood')(food)],
  ['fish seafood', aisle('fish-seafood')],
  ['vegetable veg veggie', aisle('vegetables', 'canned-jarred')],
  ['herb spice seasoning', aisle('herbs-spices')],
  ['aromatic', (food) => aisle('herbs-spices')(food) || named(/\b(?:onion|shallot|garlic|ginger|celery|leek|lemongrass)/i)(food)],
  ['pulse legume', aisle('pulses')],
  ['fruit berry', aisle('fruit')],
  ['nut seed', aisle('nuts-seeds')],
  ['grain pasta noodle', aisle('grains-pasta-bread')],
  ['fat grease', aisle('oils-fats')],
  [
    'cheese',
    named(
      /\b(?:cheese|cheddar|parmesan|pecorino|mozzarella|feta|halloumi|ricotta|gouda|edam|emmental|brie|gruy|monterey|cotija|queso|manchego|provolone|paneer|quark|mascarpone)/i,
    ),
  ],
  ['sweetener', named(/\b(?:sugar|honey|syrup|stevia)/i)],
  ['sugar', named(/\bsugar/i)],
  ['protein', (food) => aisle('meat-poultry', 'fish-seafood', 'plant-protein')(food)],
  ['liquid', named(/\b(?:stock|water|milk|wine|juice|broth|drink)/i)],
  ['squash', named(/\b(?:squash|pumpkin)/i)],
];

/** Whether a word speaks of the group that a food is of: "cheese" of cheddar, "meat" of mince. */
export function isOfGroup(word: string, food: Food): boolean {
  return BY_AISLE.some(([words, is]) => words.split(' ').includes(word) && is(food));
}

/** Words that speak of groups. */
export const GROUP_WORDS: ReadonlySet<string> = new Set(BY_AISLE.flatMap(([words]) => words.split(' ')));

function aisle(...aisles: readonly string[]): (food: Food) => boolean {
  return (food) => food.aisle !== undefined && aisles.includes(food.aisle);
}

function named(words: RegExp): (food: Food) => boolean {
  return (food) => words.test(food.name);
}
