/** The pages of the plan, that one visit to any of them loads. */
export { PlanPage } from '../features/plan/PlanPage';
export { SessionPage } from '../features/plan/SessionPage';
export { ShoppingPage } from '../features/shopping/ShoppingPage';
export { StockPage } from '../features/shopping/StockPage';
export { WeekPage } from '../features/week/WeekPage';
