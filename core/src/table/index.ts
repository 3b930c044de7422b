export * from './cellFigure.js';
export * from './delimiterOf.js';
export * from './foodFromRow.js';
export * from './guessMapping.js';
export * from './headingWords.js';
export * from './tableSoundness.js';
export * from './tableTarget.js';
export * from './tableUnit.js';
