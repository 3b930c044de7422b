import { lazy } from 'react';
import { createBrowserRouter, Navigate } from 'react-router';
import { NotHere } from './NotHere';
import { Shell } from './Shell';
import { STATIONS } from './stations';

// What a visit does not need is not loaded for it.
const RecipesPage = lazy(async () => ({ default: (await import('../features/recipes/RecipesPage')).RecipesPage }));
const RecipePage = lazy(async () => ({ default: (await import('./RecipePage')).RecipePage }));
const ComparePage = lazy(async () => ({ default: (await import('../features/foods/ComparePage')).ComparePage }));
const BringPage = lazy(async () => ({ default: (await import('../features/tables/BringPage')).BringPage }));
const TablePage = lazy(async () => ({ default: (await import('../features/tables/TablePage')).TablePage }));
const PricesPage = lazy(async () => ({ default: (await import('../features/prices/PricesPage')).PricesPage }));
const ReceiptPage = lazy(async () => ({ default: (await import('../features/receipts/ReceiptPage')).ReceiptPage }));
const PantryPage = lazy(async () => ({ default: (await import('../features/foods/PantryPage')).PantryPage }));
const PutAwayPage = lazy(async () => ({ default: (await import('../features/putAway/PutAwayPage')).PutAwayPage }));

export const router = createBrowserRouter([
  {
    element: <Shell />,
    errorElement: <NotHere />,
    children: [
      { index: true, element: <Navigate to="/recipes" replace /> },
      { path: 'recipes', element: <RecipesPage /> },
      {
        path: 'recipes/:recipeId',
        element: <RecipePage />,
        children: [
          { index: true, element: <Navigate to="build" replace /> },
          ...STATIONS.map(({ path, View }) => ({ path, element: <View /> })),
        ],
      },
      { path: 'pantry', element: <PantryPage /> },
      { path: 'pantry/compare', element: <ComparePage /> },
      { path: 'pantry/bring', element: <BringPage /> },
      { path: 'pantry/receipt', element: <ReceiptPage /> },
      { path: 'pantry/prices', element: <PricesPage /> },
      { path: 'pantry/tables/:tableId', element: <TablePage /> },
      { path: 'pantry/:foodId', element: <PantryPage /> },
      { path: 'put-away', element: <PutAwayPage /> },
      { path: '*', element: <NotHere /> },
    ],
  },
]);
