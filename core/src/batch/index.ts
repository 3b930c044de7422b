export * from './batch.js';
export * from './batchedRecipe.js';
export * from './batchFigures.js';
export * from './batchProblems.js';
export * from './editedBatch.js';
export * from './foodsOfBatch.js';
export * from './learnedYields.js';
