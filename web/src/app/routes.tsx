import { createBrowserRouter, Navigate } from 'react-router';
import { ComparePage } from '../features/foods/ComparePage';
import { PantryPage } from '../features/foods/PantryPage';
import { BringPage } from '../features/tables/BringPage';
import { TablePage } from '../features/tables/TablePage';
import { PricesPage } from '../features/prices/PricesPage';
import { ReceiptPage } from '../features/receipts/ReceiptPage';
import { RecipesPage } from '../features/recipes/RecipesPage';
import { BriefStation } from '../stations/brief/BriefStation';
import { BuildStation } from '../stations/build/BuildStation';
import { CardStation } from '../stations/card/CardStation';
import { NotHere } from './NotHere';
import { RecipePage } from './RecipePage';
import { Shell } from './Shell';

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
          { path: 'brief', element: <BriefStation /> },
          { path: 'build', element: <BuildStation /> },
          { path: 'card', element: <CardStation /> },
        ],
      },
      { path: 'pantry', element: <PantryPage /> },
      { path: 'pantry/compare', element: <ComparePage /> },
      { path: 'pantry/bring', element: <BringPage /> },
      { path: 'pantry/receipt', element: <ReceiptPage /> },
      { path: 'pantry/prices', element: <PricesPage /> },
      { path: 'pantry/tables/:tableId', element: <TablePage /> },
      { path: 'pantry/:foodId', element: <PantryPage /> },
      { path: '*', element: <NotHere /> },
    ],
  },
]);
