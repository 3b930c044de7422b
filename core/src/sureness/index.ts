export * from './band.js';
export * from './uncertainty.js';
