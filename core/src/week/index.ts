export * from './boxPool.js';
export * from './boxPools.js';
export * from './person.js';
export * from './week.js';
export * from './weekDay.js';
export * from './weekNotes.js';
export * from './weekProposal.js';
export * from './weekShelves.js';
