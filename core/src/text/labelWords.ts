import type { Nutrient } from '../food/index.js';

/** What a word on a label names: a nutrient, salt, energy in whatever unit follows, or something that is not kept. */
export type LabelWord = Exclude<Nutrient, 'energyKcal' | 'energyKj'> | 'salt' | 'energy' | 'other';

/**
 * Words of labels, British, American, German and French, each row a nutrient and its names. What is longest is taken first, so
 * that "saturated fat" is no fat. "Other" ends what was read before it: its figures belong to nothing that is kept.
 */
const ROWS: readonly (readonly [word: LabelWord, names: string])[] = [
  ['energy', 'energy|energy value|calories|calorific value|kilojoules|energie|brennwert|énergie|valeur énergétique'],
  ['protein', 'protein|proteins|eiweiß|eiweiss|protéines|proteines'],
  ['fat', 'fat|total fat|fats|fett|matières grasses|matieres grasses|lipides'],
  [
    'saturates',
    'saturates|saturated fat|saturated fatty acids|saturated|sat fat|gesättigte fettsäuren|gesaettigte fettsaeuren|acides gras saturés|acides gras satures',
  ],
  ['trans', 'trans fat|trans fatty acids|trans|transfettsäuren'],
  ['cholesterol', 'cholesterol|cholesterin|cholestérol'],
  [
    'carbohydrate',
    'carbohydrate|carbohydrates|total carbohydrate|total carbohydrates|total carb|carbs|carbohydrate, total|kohlenhydrate|glucides',
  ],
  ['sugars', 'sugars|total sugars|sugar|zucker|sucres'],
  ['addedSugars', 'added sugars|added sugar'],
  ['polyols', 'polyols|sugar alcohol|sugar alcohols|mehrwertige alkohole'],
  ['fibre', 'fibre|fiber|dietary fibre|dietary fiber|ballaststoffe|fibres|fibres alimentaires'],
  ['salt', 'salt|salz|sel|salt equivalent'],
  ['sodium', 'sodium|natrium'],
  ['alcohol', 'alcohol|alkohol|ethanol'],
  ['potassium', 'potassium|kalium'],
  ['calcium', 'calcium|kalzium'],
  ['iron', 'iron|eisen|fer'],
  ['vitaminD', 'vitamin d|vitamin d3|vitamine d'],
  [
    'other',
    'calories from fat|energy from fat|monounsaturates|mono-unsaturates|monounsaturated fat|polyunsaturates|polyunsaturated fat|einfach ungesättigte fettsäuren|mehrfach ungesättigte fettsäuren|starch|stärke|soluble fibre|soluble fiber|insoluble fibre|insoluble fiber|omega-3|omega 3|vitamin a|vitamin c|vitamin e|vitamin k|vitamin b1|vitamin b2|vitamin b3|vitamin b5|vitamin b6|vitamin b7|vitamin b9|vitamin b12|thiamin|thiamine|riboflavin|niacin|folate|folic acid|biotin|pantothenic acid|magnesium|zinc|phosphorus|iodine|selenium|copper|manganese|chloride|caffeine|percent daily value|% daily value|reference intake',
  ],
];

const BY_NAME: ReadonlyMap<string, LabelWord> = new Map(
  ROWS.flatMap(([word, names]) => names.split('|').map((name) => [name, word] as const)),
);

const NAMES = [...BY_NAME.keys()]
  .sort((a, b) => b.length - a.length)
  .map((name) => name.replace(/[.()+]/g, '\\$&').replace(/ /g, '[ \\n]'));

/** Every name of a nutrient in a text, wherever it stands. */
export const LABEL_NAMES = new RegExp(`(?<![\\p{L}-])(?:${NAMES.join('|')})(?![\\p{L}])`, 'giu');

/** What a name found by `LABEL_NAMES` stands for. */
export function labelWordOf(name: string): LabelWord {
  return BY_NAME.get(name.toLowerCase().replace(/\s+/g, ' ')) ?? 'other';
}
