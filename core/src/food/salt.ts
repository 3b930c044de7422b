import { SALT_GRAMS_PER_SODIUM_MG } from './nutrient.js';

/**
 * Grams of salt that milligrams of sodium stand for: sodium x 2.5 (docs/reckoning.md, "Nutrients"; Regulation (EU) 1169/2011, annex I).
 *
 * @example saltOfSodium(400) // 1
 */
export function saltOfSodium(milligrams: number): number {
  return milligrams * SALT_GRAMS_PER_SODIUM_MG;
}

/** Milligrams of sodium in grams of salt, the same turned about (docs/reckoning.md, "Nutrients"). */
export function sodiumOfSalt(grams: number): number {
  return grams / SALT_GRAMS_PER_SODIUM_MG;
}
