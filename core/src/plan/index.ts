export * from './session.js';
export * from './planProblem.js';
export * from './planSearch.js';
export * from './sessionPlan.js';
export * from './clockTime.js';
export * from './whyHere.js';
export * from './planMoves.js';
export * from './standing.js';
