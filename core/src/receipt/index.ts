export * from './matchedLine.js';
export * from './packSize.js';
export * from './receiptDate.js';
export * from './receiptLines.js';
export * from './receiptMapping.js';
export { isTill } from './tillTable.js';
