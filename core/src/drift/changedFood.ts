import { NUTRIENT_TABLE, type Food, type LabelNutrient, type PrintedBasis } from '../food/index.js';
import { plainText } from '../quantity/index.js';
import { sameDocument } from '../recipe/index.js';

/** What else of a food can change under a card, as people call it. */
const KEYS: { readonly [key in keyof Food]?: string } = {
  state: 'the state it describes',
  carbohydrateIs: 'what its carbohydrate counts',
  density: 'density',
  measures: 'weights of its measures',
  measuresAre: 'what its measures weigh',
  refuse: 'refuse',
  drained: 'drained share',
  yield: 'yield',
  yields: 'yields',
  allergens: 'allergens',
  mayContain: 'what it may contain',
  staple: 'whether it is a staple',
};

/**
 * What changed in a food, in a line.
 *
 * @example changedFood(stock, relabelled) // 'energy 21 → 29 kcal, salt 0.8 → 1.1 g per 100 ml'
 */
export function changedFood(was: Food, is: Food): string {
  const basis = sameDocument(was.per ?? null, is.per ?? null);
  const figures = (Object.keys(NUTRIENT_TABLE) as LabelNutrient[]).flatMap((nutrient) => {
    const [before, after] = [was.nutrients?.[nutrient] ?? undefined, is.nutrients?.[nutrient] ?? undefined];
    if (before === after) return [];
    const { name, unit } = NUTRIENT_TABLE[nutrient];
    return [`${name.toLowerCase()} ${amountText(before)} → ${amountText(after)} ${unit === 'ug' ? 'µg' : unit}`];
  });
  const named = figures.length === 0 ? [] : [`${figures.join(', ')}${basis ? ` per ${basisText(is.per)}` : ''}`];
  const others = (Object.keys(KEYS) as (keyof typeof KEYS)[]).flatMap((key) =>
    sameDocument(was[key] ?? null, is[key] ?? null) ? [] : [KEYS[key] ?? ''],
  );
  return [...(basis ? [] : [`figures per ${basisText(was.per)} → per ${basisText(is.per)}`]), ...named, ...others].join('; ');
}

function amountText(amount: number | undefined): string {
  return amount === undefined ? 'unknown' : plainText(amount, 2);
}

function basisText(per: PrintedBasis = { amount: 100, unit: 'g' }): string {
  return `${plainText(per.amount, 2)} ${per.unit}`;
}
