export * from './band.js';
export * from './ends.js';
export * from './errorModel.js';
export * from './simulation.js';
export * from './uncertainty.js';
