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

/** What is kept of what Check finds in a recipe, with how many of it are wrong. */
export function toFound(
  recipe: Recipe,
  kitchen: Kitchen,
  figures: Computed<RecipeFigures>,
  drift: readonly CardDrift[],
): Omit<RecipeFindingsDto, 'recipe' | 'title'> & { readonly wrong: number } {
  if (!figures.ok) return { open: [], left: 0, wrong: 0, uncomputed: figures.because };
  const [found, uncomputed] = checked(figures.made, kitchen);
  const { open, left } = withReasons([...found, ...publishedDiffers(drift)], recipe, kitchen);
  return {
    open: open.map(toFinding),
    left: left.length,
    wrong: open.filter(({ severity }) => severity === 'wrong').length,
    uncomputed,
  };
}

/** What is found, and why it is not all: of words that are too long to be read, the figures alone are looked at. */
function checked(figures: RecipeFigures, kitchen: Kitchen): readonly [readonly Finding[], string | null] {
  try {
    return [checkRecipe(figures, kitchen), null];
  } catch (error) {
    if (error instanceof TooLongToCheckError) return [findingsOf(figures, kitchen), error.message];
    throw error;
  }
}

export function toFinding({ code, at, severity, message }: Finding): FindingDto {
  return { code, at, severity, message };
}
