import { plainText } from '../quantity/index.js';
import type { IndexFormula } from './indexFormula.js';

/** Decimals that an index is shown with where it is not rounded by a step. */
const USUAL_DECIMALS = 1;

/** An index as it is printed: with the decimals of its step. @example indexText(12.5, { name: 'points', formula: 'fat', step: 0.5 }) // "12.5" */
export function indexText(amount: number, { step }: IndexFormula): string {
  const decimals = step === undefined ? USUAL_DECIMALS : Math.min(10, (/\.(\d+)/.exec(String(step))?.[1] ?? '').length);
  return plainText(amount, decimals);
}
