import type { Allergen } from '../food/index.js';
import { preciseAllergens, shareOfDailyValue } from '../food/index.js';
import type { Figure } from '../figure/index.js';
import { roundHalfAway } from '../quantity/index.js';
import { derivedFigures, type NutrientFigures, type ServingFigures } from '../recipe/index.js';
import type { Claim, ClaimName } from './claim.js';

/** One condition of a claim: a figure, and the most or least it may be. */
interface Condition {
  readonly what: string;
  readonly figure: Figure;
  readonly unit: string;
  readonly most?: number;
  readonly least?: number;
}

const KCAL_PER_GRAM_OF_PROTEIN = 4;
const KCAL_PER_GRAM_OF_FAT = 9;
/** Cereals that hold gluten, and the bare word. */
const GLUTEN: ReadonlySet<Allergen> = new Set(['gluten', 'wheat', 'rye', 'barley', 'oats', 'spelt']);

/**
 * Claims a dish may make, computed, each with its reasons (docs/reckoning.md, "Claims"): EU 1924/2006 for solids, US meals by
 * 21 CFR 101.54 and 101.60 to 101.62, and what the foods' allergens say of gluten. Never "gluten free": that needs a
 * laboratory and clean lines.
 *
 * @param serving of the dish
 * @param allergens of every food in it; undefined when a line has no food, so that nothing can be said
 */
export function claimsOf(serving: ServingFigures, allergens: readonly Allergen[] | undefined): Claim[] {
  const { per100g, kcalPer100g } = derivedFigures(serving);
  return [...euClaims(per100g, kcalPer100g), ...usClaims(per100g, kcalPer100g, serving), glutenClaim(allergens)];
}

function euClaims(per100g: NutrientFigures, energy: Figure): Claim[] {
  const fibre = per100g.fibre;
  const perKcal = ratioTo(fibre, energy, 100);
  const proteinShare = ratioTo(per100g.protein, energy, KCAL_PER_GRAM_OF_PROTEIN * 100);
  const hardFat = sum(per100g.saturates, per100g.trans);
  return [
    all('eu', 'low energy', [{ what: 'energy per 100 g', figure: energy, unit: 'kcal', most: 40 }]),
    all('eu', 'low fat', [{ what: 'fat per 100 g', figure: per100g.fat, unit: 'g', most: 3 }]),
    all('eu', 'low saturates', [
      { what: 'saturates and trans fat per 100 g', figure: hardFat, unit: 'g', most: 1.5 },
      { what: 'their share of the energy', figure: ratioTo(hardFat, energy, KCAL_PER_GRAM_OF_FAT * 100), unit: '%', most: 10 },
    ]),
    all('eu', 'low sugars', [{ what: 'sugars per 100 g', figure: per100g.sugars, unit: 'g', most: 5 }]),
    all('eu', 'low salt', [{ what: 'sodium per 100 g', figure: per100g.sodium, unit: 'mg', most: 120 }]),
    any('eu', 'source of fibre', [
      { what: 'fibre per 100 g', figure: fibre, unit: 'g', least: 3 },
      { what: 'fibre per 100 kcal', figure: perKcal, unit: 'g', least: 1.5 },
    ]),
    any('eu', 'high fibre', [
      { what: 'fibre per 100 g', figure: fibre, unit: 'g', least: 6 },
      { what: 'fibre per 100 kcal', figure: perKcal, unit: 'g', least: 3 },
    ]),
    all('eu', 'source of protein', [{ what: 'energy from protein', figure: proteinShare, unit: '%', least: 12 }]),
    all('eu', 'high protein', [{ what: 'energy from protein', figure: proteinShare, unit: '%', least: 20 }]),
  ];
}

function usClaims(per100g: NutrientFigures, energy: Figure, serving: ServingFigures): Claim[] {
  const ofDaily = (nutrient: 'protein' | 'fibre'): Figure => {
    const { amount, gaps } = serving.nutrients[nutrient];
    return { amount: amount === undefined ? undefined : (shareOfDailyValue('us', nutrient, amount) ?? 0) * 100, gaps };
  };
  return [
    all('us', 'low calorie', [{ what: 'energy per 100 g', figure: energy, unit: 'kcal', most: 120 }]),
    all('us', 'low fat', [
      { what: 'fat per 100 g', figure: per100g.fat, unit: 'g', most: 3 },
      { what: 'energy from fat', figure: ratioTo(per100g.fat, energy, KCAL_PER_GRAM_OF_FAT * 100), unit: '%', most: 30 },
    ]),
    all('us', 'low sodium', [{ what: 'sodium per 100 g', figure: per100g.sodium, unit: 'mg', most: 140 }]),
    all('us', 'high protein', [{ what: 'protein in a serving, of the daily value', figure: ofDaily('protein'), unit: '%', least: 20 }]),
    all('us', 'high fibre', [{ what: 'fibre in a serving, of the daily value', figure: ofDaily('fibre'), unit: '%', least: 20 }]),
  ];
}

function glutenClaim(allergens: readonly Allergen[] | undefined): Claim {
  const name = 'no gluten-containing ingredient listed';
  if (!allergens) return { name, rules: 'any', holds: 'unknown', because: ['a line has no food yet'] };
  const found = preciseAllergens(allergens).filter((allergen) => GLUTEN.has(allergen));
  return {
    name,
    rules: 'any',
    holds: found.length === 0 ? 'yes' : 'no',
    because: [found.length === 0 ? 'no food names gluten or its cereals' : `holds ${found.join(', ')}`],
  };
}

function all(rules: Claim['rules'], name: ClaimName, conditions: readonly Condition[]): Claim {
  const verdicts = conditions.map(verdictOf);
  const holds = verdicts.includes('no') ? 'no' : verdicts.includes('unknown') ? 'unknown' : 'yes';
  return { name, rules, holds, because: conditions.map(reasonOf) };
}

function any(rules: Claim['rules'], name: ClaimName, conditions: readonly Condition[]): Claim {
  const verdicts = conditions.map(verdictOf);
  const holds = verdicts.includes('yes') ? 'yes' : verdicts.includes('unknown') ? 'unknown' : 'no';
  return { name, rules, holds, because: conditions.map(reasonOf) };
}

/** A figure that is "at least" can only rule a "most" out or a "least" in; a ratio that lacks something decides nothing. */
function verdictOf({ figure, most, least }: Condition): Claim['holds'] {
  const { amount, gaps } = figure;
  if (amount === undefined) return 'unknown';
  const noise = 1e-9 * Math.max(1, amount);
  if (most !== undefined) return amount > most + noise ? 'no' : gaps.length > 0 ? 'unknown' : 'yes';
  return amount >= (least ?? 0) - noise ? 'yes' : gaps.length > 0 ? 'unknown' : 'no';
}

function reasonOf({ what, figure, unit, most, least }: Condition): string {
  const stands =
    figure.amount === undefined ? 'unknown' : `${figure.gaps.length > 0 ? 'at least ' : ''}${roundHalfAway(figure.amount, 0.1)} ${unit}`;
  return `${what} ${stands}, ${most === undefined ? `at least ${least}` : `at most ${most}`} ${unit} asked`;
}

/** A ratio of figures: unknown unless both are whole, for with a gap in either it may be more or less. */
function ratioTo(above: Figure, below: Figure, times: number): Figure {
  const gaps = [...new Set([...above.gaps, ...below.gaps])];
  if (gaps.length > 0 || above.amount === undefined || !below.amount) return { amount: undefined, gaps };
  return { amount: (above.amount / below.amount) * times, gaps };
}

/** Two figures together; one that nobody states at all counts as a gap. */
function sum(one: Figure, other: Figure): Figure {
  if (one.amount === undefined) return { amount: undefined, gaps: one.gaps };
  return other.amount === undefined
    ? { amount: one.amount, gaps: [...one.gaps, ...other.gaps] }
    : { amount: one.amount + other.amount, gaps: [...one.gaps, ...other.gaps] };
}
