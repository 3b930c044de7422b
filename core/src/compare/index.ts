export * from './againstStated.js';
export * from './foodComparison.js';
export * from './mergedFood.js';
export * from './recipeChanges.js';
export * from './swapEffect.js';
