// The log of what was cooked, over all dishes and of one.
export { BatchesPage } from './BatchesPage';
export { DishBatchesPage } from './DishBatchesPage';
