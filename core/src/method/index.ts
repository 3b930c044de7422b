export * from './equipmentIn.js';
export * from './proposedHands.js';
export * from './longSteps.js';
export * from './timedSteps.js';
