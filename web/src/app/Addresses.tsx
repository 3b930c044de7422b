import { lazy } from 'react';
import { Navigate, Route, Routes } from 'react-router';
import { NotHere } from './NotHere';
import { Shell } from './Shell';
import { STATIONS } from './stations';

// What a visit does not need is not loaded for it.
const RecipesPage = lazy(async () => ({ default: (await import('../features/recipes/RecipesPage')).RecipesPage }));
const RecipePage = lazy(async () => ({ default: (await import('./RecipePage')).RecipePage }));
const ComparePage = lazy(async () => ({ default: (await import('./pantryPages')).ComparePage }));
const BringPage = lazy(async () => ({ default: (await import('./pantryPages')).BringPage }));
const TablePage = lazy(async () => ({ default: (await import('./pantryPages')).TablePage }));
const PricesPage = lazy(async () => ({ default: (await import('./pantryPages')).PricesPage }));
const ReceiptPage = lazy(async () => ({ default: (await import('./pantryPages')).ReceiptPage }));
const PantryPage = lazy(async () => ({ default: (await import('./pantryPages')).PantryPage }));
const PutAwayPage = lazy(async () => ({ default: (await import('./pantryPages')).PutAwayPage }));

/** Every address of the application. */
export function Addresses() {
  return (
    <Routes>
      <Route element={<Shell />}>
        <Route index element={<Navigate to="/recipes" replace />} />
        <Route path="recipes" element={<RecipesPage />} />
        <Route path="recipes/:recipeId" element={<RecipePage />}>
          <Route index element={<Navigate to="build" replace />} />
          {STATIONS.map(({ path, View }) => (
            <Route key={path} path={path} element={<View />} />
          ))}
        </Route>
        <Route path="pantry" element={<PantryPage />} />
        <Route path="pantry/compare" element={<ComparePage />} />
        <Route path="pantry/bring" element={<BringPage />} />
        <Route path="pantry/receipt" element={<ReceiptPage />} />
        <Route path="pantry/prices" element={<PricesPage />} />
        <Route path="pantry/tables/:tableId" element={<TablePage />} />
        <Route path="pantry/:foodId" element={<PantryPage />} />
        <Route path="put-away" element={<PutAwayPage />} />
        <Route path="*" element={<NotHere />} />
      </Route>
    </Routes>
  );
}
