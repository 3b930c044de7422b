import { TOOL_PANELS, type FiguresPanel } from '../working/panelName';
import type { Right } from '../features/account/useMe';
import { STATIONS } from './stations';
import { TOOLS } from './toolPanels';

/** Something that can be done from anywhere, by its words or others. */
export interface AppAction {
  readonly name: string;
  readonly also: readonly string[];
  readonly key?: string;
  readonly to: string;
  /** What one has to be allowed for it. */
  readonly needs?: Right;
  /** What is called instead of going anywhere. */
  readonly call?: 'start' | 'settings' | 'keys' | 'theme';
}

const at = (name: string, to: string, ...also: string[]): AppAction => ({ name, to, also });
const edits = (action: AppAction): AppAction => ({ ...action, needs: 'edit' });
const calls = (call: NonNullable<AppAction['call']>, name: string, ...also: string[]): AppAction => ({ name, to: '', also, call });

/** Of the whole application. */
export const APP_ACTIONS: readonly AppAction[] = [
  edits(calls('start', 'Start a recipe', 'new', 'create', 'dish', 'bring', 'import', 'paste')),
  at('Recipes', '/recipes', 'list', 'book', 'dishes', 'all'),
  at('Plan', '/plan', 'sessions', 'prep day', 'calendar', 'timeline', 'schedule'),
  at('Week of boxes', '/plan/week', 'who eats what', 'meals', 'fridge', 'freezer', 'thaw', 'people', 'days'),
  at('Shopping list', '/plan/shopping', 'buy', 'shops', 'packs', 'groceries', 'errands'),
  at('What is in stock', '/plan/stock', 'cupboard', 'fridge', 'best before', 'use first', 'inventory'),
  at('Batches', '/batches', 'log', 'cooked', 'yields', 'history of a dish'),
  at('Cards', '/cards', 'published', 'issues', 'readers', 'drift', 'series', 'holds'),
  at('What Check finds', '/findings', 'wrong', 'mistakes', 'to look at', 'whole kitchen', 'safety', 'all dishes'),
  at('Pantry', '/pantry', 'foods', 'ingredients', 'open the pantry', 'labels'),
  edits(at('Add a food', '/pantry/new', 'new', 'ingredient', 'label', 'product', 'create')),
  at(
    'Bring foods: a table, a spreadsheet, the starter pantry',
    '/pantry/bring',
    'import',
    'csv',
    'xlsx',
    'upload',
    'national table',
    'composition',
  ),
  at('Take the kitchen out: file and sheets', '/pantry/bring', 'export', 'backup', 'download', 'save as', 'csv'),
  edits(at('Put in a receipt', '/pantry/receipt', 'till', 'paid', 'prices', 'shopping')),
  at('Prices', '/pantry/prices', 'shops', 'refresh', 'today', 'offers', 'history'),
  at('Compare foods', '/pantry/compare', 'products', 'swap', 'side by side', 'cheaper'),
  at('What was put away', '/put-away', 'archive', 'deleted', 'removed', 'restore', 'trash', 'bin'),
  at('Members of this kitchen', '/kitchen/members', 'invite', 'people', 'team', 'roles', 'share', 'access'),
  at('Tokens for programs', '/kitchen/tokens', 'api', 'key', 'automation', 'script'),
  at('What was done in this kitchen', '/kitchen/log', 'audit', 'log', 'history', 'who changed'),
  at('Copy, leave or delete this kitchen', '/kitchen/whole', 'duplicate', 'remove', 'quit'),
  calls('settings', 'Kitchen settings', 'preferences', 'options', 'configure'),
  calls('settings', 'Rounding and claims on cards', 'eu', 'us', 'rules', 'label law', 'settings'),
  calls('settings', 'Spoons and cups', 'measures', 'tablespoon', 'metric', 'imperial', 'settings'),
  calls('settings', 'Pantry staples: counted or free', 'salt', 'oil', 'cost', 'settings'),
  calls('settings', 'When a price is stale', 'age', 'old', 'days', 'settings'),
  calls('settings', 'The kitchen’s own figure', 'index', 'score', 'formula', 'settings'),
  { ...calls('keys', 'Keys', 'shortcuts', 'keyboard', 'help'), key: '?' },
  calls('theme', 'Switch between light and dark', 'theme', 'colours', 'night'),
];

/** Figures whose working can be asked for by name. */
const FIGURES: readonly (readonly [FiguresPanel, string, ...string[]])[] = [
  ['energyKcal', 'Energy', 'calories', 'kcal'],
  ['protein', 'Protein'],
  ['carbohydrate', 'Carbohydrate', 'carbs'],
  ['sugars', 'Sugars'],
  ['fat', 'Fat'],
  ['saturates', 'Saturates', 'saturated'],
  ['fibre', 'Fibre', 'fiber'],
  ['salt', 'Salt', 'sodium'],
  ['weight', 'Weight', 'grams', 'yield'],
  ['usedCost', 'Cost, used', 'price', 'money', 'euro'],
  ['tillCost', 'Cost at the till', 'packs', 'shopping', 'money'],
  ['index', 'The kitchen’s own figure', 'index', 'score', 'formula', 'points'],
];

/** Of the recipe that is open. */
export function dishActions(recipeId: string): AppAction[] {
  const build = `/recipes/${recipeId}/build`;
  return [
    ...STATIONS.map(({ path, name, key, also }) => ({ name, also, key: `Alt ${key}`, to: `/recipes/${recipeId}/${path}` })),
    at('Batches of this dish', `/batches/${recipeId}`, 'log', 'cooked', 'yield', 'measured'),
    at('Method and keeping', `${build}?side=method`, 'steps', 'instructions', 'storage', 'fridge', 'reheat', 'directions'),
    ...TOOL_PANELS.map((tool) => {
      const { name, also, key } = TOOLS[tool];
      return { name, also, to: `${build}?working=${tool}`, ...(key === undefined ? {} : { key: `Alt ${key.toUpperCase()}` }) };
    }),
    at('What it may claim', `${build}?working=claims`, 'claims', 'source of', 'high in', 'low'),
    ...FIGURES.map(([figure, name, ...also]) =>
      at(`Working of ${name.charAt(0).toLowerCase()}${name.slice(1)}`, `${build}?working=${figure}`, 'why', 'how', 'trace', ...also),
    ),
  ];
}
