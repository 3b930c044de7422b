export * from './cardContent.js';
export * from './cardDrift.js';
export * from './cardMarkdown.js';
export * from './cardSentences.js';
export * from './cardSteps.js';
export * from './cautions.js';
export * from './schemaOrgRecipe.js';
export * from './secondMeasure.js';
