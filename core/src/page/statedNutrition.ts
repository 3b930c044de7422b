import { unitOf, type Nutrient } from '../food/index.js';
import { readLabelText } from '../label/index.js';
import { numberFromText } from '../quantity/index.js';
import type { StatedNutrition } from '../recipe/index.js';

/** What schema.org calls the figures of a NutritionInformation. */
const KEYS: readonly (readonly [key: string, nutrient: Nutrient])[] = [
  ['proteinContent', 'protein'],
  ['fatContent', 'fat'],
  ['saturatedFatContent', 'saturates'],
  ['transFatContent', 'trans'],
  ['carbohydrateContent', 'carbohydrate'],
  ['sugarContent', 'sugars'],
  ['fiberContent', 'fibre'],
  ['sodiumContent', 'sodium'],
  ['cholesterolContent', 'cholesterol'],
];

/** What a page's data says of a serving. Figures without a unit are in the usual one; what is no number is left out. */
export function statedNutrition(
  nutrition: Readonly<Record<string, unknown>>,
  textOf: (found: unknown) => string,
): StatedNutrition | undefined {
  const nutrients: { [nutrient in Nutrient]?: number } = {};
  const calories = textOf(nutrition.calories);
  const energy = figureOf(calories);
  if (energy !== undefined) {
    if (/\bkj\b|kilojoule/i.test(calories)) nutrients.energyKj = energy;
    else nutrients.energyKcal = energy;
  }
  for (const [key, nutrient] of KEYS) {
    const text = textOf(nutrition[key]);
    const figure = figureOf(text);
    if (figure === undefined) continue;
    const grams = /\bmg\b|milligram/i.test(text) ? 1e-3 : /\b(?:µg|mcg|ug)\b/i.test(text) ? 1e-6 : /\bg\b|gram/i.test(text) ? 1 : undefined;
    const milligrams = unitOf(nutrient) === 'mg';
    const ratio = grams === undefined ? 1 : grams * (milligrams ? 1000 : 1);
    nutrients[nutrient] = Number((figure * ratio).toPrecision(12));
  }
  if (Object.keys(nutrients).length === 0) return undefined;
  const said = [calories, textOf(nutrition.servingSize)].join(' ');
  return { of: /\b(?:whole|entire|total recipe|recipe|tray|all)\b/i.test(said) ? 'whole' : 'serving', nutrients };
}

/** What a line of text says of a serving: "Nutrition per serving: 445 kcal, 32 g protein". */
export function statedInText(text: string): StatedNutrition | undefined {
  if (!/\b(?:kcal|calories|kj|nutrition|per (?:serving|portion|box))\b/i.test(text)) return undefined;
  const { nutrients } = readLabelText(text);
  if (Object.keys(nutrients).length === 0) return undefined;
  return { of: /\b(?:whole|entire|total)\b/i.test(text) ? 'whole' : 'serving', nutrients };
}

function figureOf(text: string): number | undefined {
  const number = /\d[\d.,]{0,12}/.exec(text)?.[0].replace(/[.,]$/, '');
  return number === undefined ? undefined : numberFromText(/^\d{1,3},\d{3}$/.test(number) ? number.replace(',', '') : number);
}
