export * from './fitRecipe.js';
export * from './lineChange.js';
export * from './programme.js';
export * from './singleLine.js';
export * from './allowedChange.js';
export { aimOf, limitRows } from './limitRows.js';
