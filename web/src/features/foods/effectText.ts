import { numberText, priceText } from '../../ui/numberText';

/** What a serving gains by a change of foods; null where nobody knows. */
interface Effect {
  readonly energyKcal: number | null;
  readonly protein: number | null;
  readonly usedCost: number | null;
}

/** A change in words: "−38 kcal, +1.2 g protein, +0.12". */
export function effectText({ energyKcal, protein, usedCost }: Effect, currency: string): string {
  const cost = usedCost === null ? 'cost unknown' : `${usedCost < 0 ? '−' : '+'}${priceText(Math.abs(usedCost), currency)}`;
  return `${signed(energyKcal, 0)} kcal, ${signed(protein, 1)} g protein, ${cost}`;
}

function signed(amount: number | null, decimals: number): string {
  if (amount === null) return 'unknown';
  const text = numberText(Math.abs(amount), decimals);
  return Number(text.replace(/,/g, '')) === 0 ? '±0' : `${amount < 0 ? '−' : '+'}${text}`;
}
