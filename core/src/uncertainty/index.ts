export * from './band.js';
export * from './rangeBounds.js';
export * from './errorModel.js';
export * from './simulation.js';
export * from './uncertainty.js';
export * from './rivalReach.js';
