export * from './handyMeasure.js';
export * from './scaledRecipe.js';
export * from './servingsFor.js';
export * from './snappedRecipe.js';
export * from './usualScaling.js';
export * from './vessel.js';
