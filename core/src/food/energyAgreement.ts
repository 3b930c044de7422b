import { gramsOfPrintedBasis, printedKcal } from './composition.js';
import { ENERGY_FACTORS, atwaterEnergy } from './atwaterEnergy.js';
import type { Food } from './food.js';

/** Declared against factored energy, both in kcal for the same basis. */
export interface EnergyAgreement {
  readonly declared: number;
  readonly factored: number;
  /** factored - declared. */
  readonly difference: number;
  readonly allowed: number;
  readonly agrees: boolean;
}

/** Least difference that counts, in kcal, and the share of the declared figure (docs/reckoning.md, "Energy two ways"). */
const ALLOWED_KCAL = 15;
const ALLOWED_SHARE = 0.1;

/**
 * Whether declared and factored energy agree: within 10 % of the declared figure or 15 kcal, whichever is more.
 *
 * @param declared kcal, per serving or per 100 g
 * @param factored kcal for the same basis
 * @example energyAgreement(213, 690).difference // 477
 */
export function energyAgreement(declared: number, factored: number): EnergyAgreement {
  const difference = factored - declared;
  const allowed = Math.max(ALLOWED_KCAL, ALLOWED_SHARE * declared);
  return { declared, factored, difference, allowed, agrees: Math.abs(difference) <= allowed * (1 + 1e-9) };
}

/**
 * The energy check of a food or label, per 100 g.
 *
 * @returns undefined when nothing can be compared: no declared energy, or protein, fat or carbohydrate unknown
 */
export function foodEnergyAgreement(food: Food): EnergyAgreement | undefined {
  const basis = gramsOfPrintedBasis(food);
  const declared = printedKcal(food.nutrients ?? {});
  const factored = atwaterEnergy(food);
  if (!basis || declared === undefined || factored === undefined) return undefined;
  return energyAgreement((declared / basis) * 100, (factored / basis) * 100);
}

/** The figure most likely mistyped when a food's energy and macros disagree. */
export interface LikelySlip {
  readonly nutrient: 'energyKcal' | 'protein' | 'fat' | 'carbohydrate';
  readonly typed: number;
  /** What it would have to be for the two energies to meet, for the printed basis. */
  readonly would: number;
}

/**
 * Points at the likeliest slip: the figure that a shifted decimal point would mend best, else the one that alone could
 * make up the difference with the smallest relative change.
 *
 * @returns undefined when the energies agree or cannot be compared
 */
export function likelySlip(food: Food): LikelySlip | undefined {
  const agreement = foodEnergyAgreement(food);
  const basis = gramsOfPrintedBasis(food);
  if (!agreement || agreement.agrees || !basis) return undefined;
  const excess = (agreement.difference * basis) / 100;
  const factors = {
    protein: ENERGY_FACTORS.protein.kcal,
    fat: ENERGY_FACTORS.fat.kcal,
    carbohydrate: ENERGY_FACTORS.availableCarbohydrate.kcal,
  };
  const suspects: LikelySlip[] = [];
  for (const nutrient of ['protein', 'fat', 'carbohydrate'] as const) {
    const typed = food.nutrients?.[nutrient] ?? 0;
    const would = typed - excess / factors[nutrient];
    if (would >= 0) suspects.push({ nutrient, typed, would });
  }
  const declared = printedKcal(food.nutrients ?? {}) ?? 0;
  suspects.push({ nutrient: 'energyKcal', typed: declared, would: declared + excess });
  return suspects.sort((a, b) => decimalSlipDistance(a) - decimalSlipDistance(b))[0];
}

/** How far the mend is from moving the decimal point one place: 0 is exactly that. */
function decimalSlipDistance({ typed, would }: LikelySlip): number {
  if (typed <= 0 || would <= 0) return Number.MAX_VALUE;
  return Math.abs(Math.abs(Math.log10(typed / would)) - 1);
}
