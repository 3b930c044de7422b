export * from './scaledRecipe.js';
