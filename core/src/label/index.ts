export * from './foodOfLabel.js';
export * from './labelAllergens.js';
export * from './readLabelText.js';
