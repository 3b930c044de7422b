export * from './labelAllergens.js';
export * from './labelWeights.js';
export * from './readLabelText.js';
