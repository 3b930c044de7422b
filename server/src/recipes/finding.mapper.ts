import {
  checkRecipe,
  publishedDiffers,
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
  const { open, left } = withReasons([...checkRecipe(figures.made, kitchen), ...publishedDiffers(drift)], recipe, kitchen);
  return {
    open: open.map(toFinding),
    left: left.length,
    wrong: open.filter(({ severity }) => severity === 'wrong').length,
    uncomputed: null,
  };
}

export function toFinding({ code, at, severity, message }: Finding): FindingDto {
  return { code, at, severity, message };
}
