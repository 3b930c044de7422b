export * from './claim.js';
export * from './claimsOf.js';
