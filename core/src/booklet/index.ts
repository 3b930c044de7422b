export * from './booklet.js';
export * from './mainFoods.js';
export * from './numbersTrouble.js';
