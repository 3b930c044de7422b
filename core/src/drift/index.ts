export * from './brokenPromises.js';
export * from './causedCorrection.js';
export * from './changedFood.js';
export * from './driftCauses.js';
export * from './driftShare.js';
