export * from './pageText.js';
export * from './readRecipes.js';
export type { ReadRecipe, ReadSection, ReadStep } from './readRecipe.js';
