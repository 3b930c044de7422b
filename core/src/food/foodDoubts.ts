import { millilitresOf, roundHalfAway } from '../quantity/index.js';
import { gramsOfPrintedBasis, known } from './composition.js';
import { foodEnergyAgreement, likelySlip } from './energyAgreement.js';
import type { Food, PrintedNutrients } from './food.js';
import { nutrientName } from './cardText.js';
import type { Nutrient } from './nutrient.js';
import { saltOfSodium } from './salt.js';

/** Something about a food's figures that cannot be, or hardly: where it shows, and what to look at. */
export interface FoodDoubt {
  readonly code: 'energy-mismatch' | 'part-above-whole' | 'more-than-100-g' | 'out-of-range' | 'measure-against-density';
  /** The nutrient, measure or property to look at first. */
  readonly field: string;
  readonly message: string;
}

/** Rounded labels may add up to a little more than they can. */
const PRINTED_SLACK = 0.15;
/** Pure fat, and a little for rounding: nothing holds more. kcal per 100 g. */
const MOST_KCAL = 905;
/** Grams of salt in 100 g of pure salt, with a little for rounding. */
const MOST_SALT = 101;
/** A cup of something in pieces may weigh half, or half as much again, of what it weighs without air. */
const MEASURE_RATIO = { least: 0.45, most: 1.6 } as const;
/** Yields beyond these are slips: nothing shrinks to a quarter, porridge takes up five times its weight, seaweed nine. */
const YIELD_RANGE = { least: 0.25, most: 10 } as const;
const DENSITY_RANGE = { least: 0.03, most: 2.5 } as const;

/**
 * What cannot be right about a food, told while it is typed and when it is imported: energy against macros (docs/reckoning.md,
 * "Energy two ways"), a part above its whole (sugars above carbohydrate), more than 100 g in 100 g, figures out of any range, a cup
 * that weighs what its density does not allow.
 */
export function foodDoubts(food: Food): FoodDoubt[] {
  return [...energyDoubts(food), ...partDoubts(food.nutrients ?? {}), ...wholeDoubts(food), ...weightDoubts(food)];
}

function energyDoubts(food: Food): FoodDoubt[] {
  const agreement = foodEnergyAgreement(food);
  if (!agreement || agreement.agrees) return [];
  const { declared, factored, difference } = agreement;
  const slip = likelySlip(food);
  const hint = slip
    ? ` Check the ${nutrientName(slip.nutrient).toLowerCase()}: ${slip.typed} would have to be about ${roundHalfAway(slip.would, 0.1)}.`
    : '';
  return [
    {
      code: 'energy-mismatch',
      field: slip?.nutrient ?? 'energyKcal',
      message: `The label says ${Math.round(declared)} kcal per 100 g, the macros make ${Math.round(factored)}: ${Math.abs(Math.round(difference))} too ${difference > 0 ? 'much' : 'little'}.${hint}`,
    },
  ];
}

type Printed = Nutrient | 'salt';

/** Parts and the whole they are in. */
const PARTS: readonly (readonly [parts: readonly Printed[], whole: Printed])[] = [
  [['saturates', 'trans'], 'fat'],
  [['sugars'], 'carbohydrate'],
  [['polyols'], 'carbohydrate'],
  [['addedSugars'], 'sugars'],
];

function partDoubts(nutrients: PrintedNutrients): FoodDoubt[] {
  return PARTS.flatMap(([parts, whole]) => {
    const total = known(nutrients[whole]);
    const sum = parts.reduce((grams, part) => grams + (known(nutrients[part]) ?? 0), 0);
    if (total === undefined || sum <= total + PRINTED_SLACK) return [];
    const names = parts.filter((part) => (known(nutrients[part]) ?? 0) > 0).map(nameOf);
    return [
      {
        code: 'part-above-whole' as const,
        field: parts[0] ?? whole,
        message: `${names.join(' and ')} (${roundHalfAway(sum, 0.01)} g) cannot be more than the ${nameOf(whole).toLowerCase()} (${total} g) they are part of.`,
      },
    ];
  });
}

function wholeDoubts(food: Food): FoodDoubt[] {
  const basis = gramsOfPrintedBasis(food);
  if (!basis) return [];
  const per100 = (nutrient: Printed) => ((known(food.nutrients?.[nutrient]) ?? 0) * 100) / basis;
  const salt = known(food.nutrients?.salt) === undefined ? saltOfSodium(per100('sodium')) : per100('salt');
  const fibre = food.carbohydrateIs === 'total' ? 0 : per100('fibre');
  const sum = per100('protein') + per100('fat') + per100('carbohydrate') + fibre + per100('alcohol') + salt;
  const doubts: FoodDoubt[] = [];
  if (sum > 100 + 10 * PRINTED_SLACK)
    doubts.push({
      code: 'more-than-100-g',
      field: 'carbohydrate',
      message: `Protein, fat, carbohydrate, fibre and salt add up to ${roundHalfAway(sum, 0.1)} g in 100 g.${food.carbohydrateIs === 'total' ? '' : ' Does the carbohydrate on this label include the fibre?'}`,
    });
  if (per100('energyKcal') > MOST_KCAL)
    doubts.push({
      code: 'out-of-range',
      field: 'energyKcal',
      message: `${Math.round(per100('energyKcal'))} kcal in 100 g is more than pure fat has. Are these kilojoules?`,
    });
  if (salt > MOST_SALT)
    doubts.push({
      code: 'out-of-range',
      field: 'salt',
      message: `${roundHalfAway(salt, 0.1)} g of salt in 100 g cannot be. Sodium is in milligrams here.`,
    });
  return doubts;
}

function weightDoubts({ density, measures = {}, yields = {}, yield: usual }: Food): FoodDoubt[] {
  const doubts: FoodDoubt[] = [];
  if (density !== undefined && (density < DENSITY_RANGE.least || density > DENSITY_RANGE.most))
    doubts.push({ code: 'out-of-range', field: 'density', message: `${density} g in a millilitre is hardly any food: water has 1.` });
  for (const [measure, grams] of Object.entries(measures)) {
    const volume = millilitresOf(measure, 'metric');
    const ratio = volume === undefined || density === undefined ? 1 : grams / (volume * density);
    if (ratio < MEASURE_RATIO.least || ratio > MEASURE_RATIO.most)
      doubts.push({
        code: 'measure-against-density',
        field: 'measures',
        message: `One ${measure} weighs ${grams} g here; by the density it would be ${roundHalfAway((volume ?? 0) * (density ?? 0), 1)} g.`,
      });
  }
  for (const [method, share] of [...Object.entries(yields), ...(usual === undefined ? [] : [['cooked', usual] as const])])
    if (share < YIELD_RANGE.least || share > YIELD_RANGE.most)
      doubts.push({ code: 'out-of-range', field: 'yield', message: `1 g weighing ${share} g when ${method} is hardly so.` });
  return doubts;
}

function nameOf(printed: Printed): string {
  return nutrientName(printed);
}
