import {
  checkRecipe,
  findingsOf,
  publishedDiffers,
  TooLongToCheckError,
  withReasons,
  type CardDrift,
  type Computed,
  type Finding,
  type Kitchen,
  type Recipe,
  type RecipeFigures,
} from '@portiona/core';
import type { FindingDto, RecipeFindingsDto } from './finding.dto.js';

/** What Check finds in a recipe, and why that is not all, where it is not. */
export interface Found {
  readonly found: readonly Finding[];
  readonly uncomputed: string | null;
}

/** What Check finds in the figures of a recipe; of words that are too long to be read, what the figures alone say. */
export function foundIn(figures: Computed<RecipeFigures>, kitchen: Kitchen): Found {
  if (!figures.ok) return { found: [], uncomputed: figures.because };
  try {
    return { found: checkRecipe(figures.made, kitchen), uncomputed: null };
  } catch (error) {
    if (error instanceof TooLongToCheckError) return { found: findingsOf(figures.made, kitchen), uncomputed: error.message };
    throw error;
  }
}

/** What is kept of what Check finds in a recipe, with how many of it are wrong. */
export function toFound(
  recipe: Recipe,
  kitchen: Kitchen,
  { found, uncomputed }: Found,
  drift: readonly CardDrift[],
): Omit<RecipeFindingsDto, 'recipe' | 'title'> & { readonly wrong: number } {
  const { open, left } = withReasons([...found, ...publishedDiffers(drift)], recipe, kitchen);
  return {
    open: open.map(toFinding),
    left: left.length,
    wrong: open.filter(({ severity }) => severity === 'wrong').length,
    uncomputed,
  };
}

export function toFinding({ code, at, severity, message }: Finding): FindingDto {
  return { code, at, severity, message };
}
