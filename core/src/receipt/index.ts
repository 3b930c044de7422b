export * from './packSize.js';
export * from './receiptLines.js';
export * from './receiptMapping.js';
