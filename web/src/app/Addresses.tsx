import { Navigate, Route, Routes } from 'react-router';
import { NotHere } from './NotHere';
import { Shell } from './Shell';
import { STATIONS } from './stations';
import { later } from '../ui/later';

// What a visit does not need is not loaded for it.
const { View: RecipesPage } = later(async () => ({ default: (await import('../features/recipes/RecipesPage')).RecipesPage }));
const { View: RecipePage } = later(async () => ({ default: (await import('./RecipePage')).RecipePage }));
const { View: ComparePage } = later(async () => ({ default: (await import('./pantryPages')).ComparePage }));
const { View: BringPage } = later(async () => ({ default: (await import('./pantryPages')).BringPage }));
const { View: TablePage } = later(async () => ({ default: (await import('./pantryPages')).TablePage }));
const { View: PricesPage } = later(async () => ({ default: (await import('./pantryPages')).PricesPage }));
const { View: ReceiptPage } = later(async () => ({ default: (await import('./pantryPages')).ReceiptPage }));
const { View: PantryPage } = later(async () => ({ default: (await import('./pantryPages')).PantryPage }));
const { View: BeginPage } = later(async () => ({ default: (await import('../features/begin/BeginPage')).BeginPage }));
const { View: WorkingPanel } = later(async () => ({ default: (await import('./beside')).WorkingPanel }));
const { View: CookPage } = later(async () => ({ default: (await import('../features/cook/CookPage')).CookPage }));
const { View: PortionPage } = later(async () => ({ default: (await import('../features/portion/PortionPage')).PortionPage }));
const { View: BatchesPage } = later(async () => ({ default: (await import('../features/batches')).BatchesPage }));
const { View: DishBatchesPage } = later(async () => ({ default: (await import('../features/batches')).DishBatchesPage }));
const { View: CardsPage } = later(async () => ({ default: (await import('./pantryPages')).CardsPage }));
const { View: SeriesPage } = later(async () => ({ default: (await import('./pantryPages')).SeriesPage }));
const { View: PlanPage } = later(async () => ({ default: (await import('./planPages')).PlanPage }));
const { View: SessionPage } = later(async () => ({ default: (await import('./planPages')).SessionPage }));
const { View: WeekPage } = later(async () => ({ default: (await import('./planPages')).WeekPage }));
const { View: ShoppingPage } = later(async () => ({ default: (await import('./planPages')).ShoppingPage }));
const { View: StockPage } = later(async () => ({ default: (await import('./planPages')).StockPage }));
const { View: FindingsPage } = later(async () => ({ default: (await import('./pantryPages')).FindingsPage }));
const { View: MembersPage } = later(async () => ({ default: (await import('./membersPages')).MembersPage }));
const { View: TokensPage } = later(async () => ({ default: (await import('./membersPages')).TokensPage }));
const { View: LogPage } = later(async () => ({ default: (await import('./membersPages')).LogPage }));
const { View: WholePage } = later(async () => ({ default: (await import('./membersPages')).WholePage }));
const { View: PutAwayPage } = later(async () => ({ default: (await import('./pantryPages')).PutAwayPage }));

/** Every address of a kitchen. */
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
        <Route path="batches" element={<BatchesPage />} />
        <Route path="batches/:recipeId" element={<DishBatchesPage showWorking={(of) => <WorkingPanel {...of} />} />} />
        <Route path="portion/:batchId" element={<PortionPage />} />
        <Route path="plan" element={<PlanPage />} />
        <Route path="plan/week" element={<WeekPage />} />
        <Route path="plan/week/:from" element={<WeekPage />} />
        <Route path="plan/shopping" element={<ShoppingPage />} />
        <Route path="plan/stock" element={<StockPage />} />
        <Route path="plan/:sessionId" element={<SessionPage />} />
        <Route path="begin" element={<BeginPage />} />
        <Route path="cards" element={<CardsPage />} />
        <Route path="cards/series/:name" element={<SeriesPage />} />
        <Route path="findings" element={<FindingsPage />} />
        <Route path="put-away" element={<PutAwayPage />} />
        <Route path="kitchen" element={<Navigate to="/kitchen/members" replace />} />
        <Route path="kitchen/members" element={<MembersPage />} />
        <Route path="kitchen/tokens" element={<TokensPage />} />
        <Route path="kitchen/log" element={<LogPage />} />
        <Route path="kitchen/whole" element={<WholePage />} />
        <Route path="*" element={<NotHere />} />
      </Route>
      <Route path="cook/:batchId" element={<CookPage />} />
    </Routes>
  );
}
