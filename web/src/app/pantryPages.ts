// The pages around the pantry and the whole kitchen, which are visited together.
export { CardsPage } from '../features/cards/CardsPage';
export { FindingsPage } from '../features/check/FindingsPage';
export { BringPage } from '../features/tables/BringPage';
export { ComparePage } from '../features/foods/ComparePage';
export { PantryPage } from '../features/foods/PantryPage';
export { PricesPage } from '../features/prices/PricesPage';
export { PutAwayPage } from '../features/putAway/PutAwayPage';
export { ReceiptPage } from '../features/receipts/ReceiptPage';
export { TablePage } from '../features/tables/TablePage';
export { SeriesPage } from '../features/series/SeriesPage';
