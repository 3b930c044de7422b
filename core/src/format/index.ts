export * from './calcReport.js';
export * from './csvSheets.js';
export * from './circleFaults.js';
export * from './fault.js';
export * from './kitchenFile.js';
export * from './readEntry.js';
export * from './readKitchen.js';
export * from './writeKitchen.js';
