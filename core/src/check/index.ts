export * from './checkRecipe.js';
export * from './finding.js';
export * from './findingsOf.js';
export * from './foodFindings.js';
export * from './leftFindings.js';
export * from './mended.js';
export * from './whyItMatters.js';
export * from './rules/publishedDiffers.js';
