import type { ReadRecipe } from '../src/index.js';

export interface MeantPage {
  readonly name: string;
  readonly bytes: Uint8Array;
  readonly header: string;
  readonly recipes: readonly object[];
  readonly unseen: boolean;
}
export function readPagesMeant(): readonly MeantPage[];
export function pageFaults(expected: readonly object[], read: readonly ReadRecipe[]): string[];
