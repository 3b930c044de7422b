export * from './foodIndex.js';
export * from './foodReading.js';
export * from './isCalled.js';
export * from './lineDoubt.js';
export * from './lineFromText.js';
export * from './recipeFromRead.js';
export * from './triedAgain.js';
export * from './unitSlip.js';
