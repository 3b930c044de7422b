export * from './foodIndex.js';
export * from './idFromName.js';
export * from './leadingNumber.js';
export * from './lineFromText.js';
export * from './lineText.js';
export * from './parseLineText.js';
export * from './unitAliases.js';
export * from './unitSlip.js';
