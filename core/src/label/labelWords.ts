import { LABEL_NUTRIENTS, NUTRIENT_TABLE, type Nutrient } from '../food/index.js';

/** What a word on a label names: a nutrient, salt, energy in whatever unit follows, or something that is not kept. */
export type LabelWord = Exclude<Nutrient, 'energyKcal' | 'energyKj'> | 'salt' | 'energy' | 'other';

/** What labels name that is not kept: it ends what was read before it, and its figures belong to nothing that is. */
const OTHER =
  'calories from fat|energy from fat|fat cal.|fat calories|moisture|ash|water|monounsaturates|mono-unsaturates|monounsaturated fat|monounsaturated fatty acids|monounsaturated|monoinsaturadas|monoinsaturi|enkelvoudig onverzadigd|polyunsaturates|polyunsaturated fat|polyunsaturated fatty acids|polyunsaturated|poliinsaturadas|polinsaturi|meervoudig onverzadigd|einfach ungesättigte fettsäuren|mehrfach ungesättigte fettsäuren|starch|stärke|almidón|amido|zetmeel|soluble fibre|soluble fiber|insoluble fibre|insoluble fiber|omega-3|omega 3|vitamin a|vitamin c|vitamin e|vitamin k|vitamin b1|vitamin b2|vitamin b3|vitamin b5|vitamin b6|vitamin b7|vitamin b9|vitamin b12|thiamin|thiamine|riboflavin|niacin|folate|folic acid|biotin|pantothenic acid|magnesium|zinc|phosphorus|iodine|selenium|copper|manganese|chloride|caffeine';

/** Names as typists misspell them; what is read by one is said. */
const MISSPELT: readonly (readonly [string, LabelWord])[] = [
  ...named('energy', 'enrgy|enery|energey|calroies|calorys'),
  ...named('protein', 'protien|protiens|protine|protin|proetin'),
  ...named('saturates', 'saturats|satuates|saturtes|sturates'),
  ...named('carbohydrate', 'carbohidrate|carbohidrates|carbohydate|carbohyrdate|carbohydrats|carbohydrat|cabohydrate|carbohydrtae'),
  ...named('sugars', 'suger|sugers|sguar|sugras'),
  ...named('fibre', 'fibr|fiberes|firbe|fbre'),
  ...named('sodium', 'soduim|sodum'),
  ...named('cholesterol', 'cholestrol|colestrol'),
];
const SPELT_WRONG: ReadonlySet<string> = new Set(MISSPELT.map(([name]) => name));

/** Words of labels; what is longest is taken first, so that "saturated fat" is no fat. */
const BY_NAME: ReadonlyMap<string, LabelWord> = new Map([
  ...LABEL_NUTRIENTS.flatMap((nutrient) =>
    named(nutrient === 'energyKcal' || nutrient === 'energyKj' ? 'energy' : nutrient, NUTRIENT_TABLE[nutrient].labelWords),
  ),
  ...named('other', OTHER),
  ...MISSPELT,
]);

function named(word: LabelWord, names: string): (readonly [string, LabelWord])[] {
  return names
    .split('|')
    .filter(Boolean)
    .map((name) => [name, word] as const);
}

const NAMES = [...BY_NAME.keys()]
  .sort((a, b) => b.length - a.length)
  .map((name) => name.replace(/[.()+]/g, '\\$&').replace(/ /g, '[ \\n]'));

/** Every name of a nutrient in a text, wherever it stands; "fat-free" and "non-fat" name none. */
export const LABEL_NAMES = new RegExp(`(?<!\\p{L}|[\\p{L}\\d]-)(?:${NAMES.join('|')})(?!\\p{L}|-\\p{L})`, 'giu');

/** What a name found by `LABEL_NAMES` stands for, and whether it is spelt as no label spells it. */
export function labelWordOf(name: string): { readonly word: LabelWord; readonly misspelt: boolean } {
  const plain = name.toLowerCase().replace(/\s+/g, ' ');
  return { word: BY_NAME.get(plain) ?? 'other', misspelt: SPELT_WRONG.has(plain) };
}
