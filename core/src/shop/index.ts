export * from './stockItem.js';
export * from './shoppingNeeds.js';
export * from './standIns.js';
export * from './cheapestShops.js';
export * from './shoppingList.js';
export * from './usesUp.js';
export * from './stockAfter.js';
