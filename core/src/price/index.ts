export * from './allocate.js';
export * from './candidatePacks.js';
export * from './money.js';
export * from './pack.js';
export * from './packGrams.js';
export * from './packMix.js';
export * from './priceHistory.js';
export * from './pricesHoldUntil.js';
