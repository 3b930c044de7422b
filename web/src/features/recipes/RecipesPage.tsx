import { useEffect, useMemo, useState } from 'react';
import { IfMay } from '../account/IfMay';
import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { Link } from 'react-router';
import type { IndexFormula } from '@portiona/core';
import { useGetKitchenQuery, useListPublishedCardsQuery } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { useMay } from '../account/useMe';
import { numberText } from '../../ui/numberText';
import { FindingsLink } from '../check/FindingsLink';
import { FoundAgainRemark } from './FoundAgainRemark';
import { NewRecipe } from './NewRecipe';
import { RecipeRow } from './RecipeRow';
import { useBriefFilter } from './useBriefFilter';
import { useRecipeRows, type RecipeOrder, type RecipeRows } from './useRecipeRows';
import { Input } from '../../ui/Input';
import { Select } from '../../ui/Select';
import { Button } from '../../ui/Button';
import { Ledger, LedgerGroup, LedgerRow } from '../../ui/Ledger';
import { Segmented } from '../../ui/Segmented';
import '../../ui/ledger.css';
import './recipes.css';

const ORDERS: readonly (readonly [RecipeOrder, string])[] = [
  ['series', 'By series'],
  ['usedCost', 'Cheapest'],
  ['protein', 'Most protein'],
  ['energyKcal', 'Lightest'],
];
/** Height of a row before it is measured, pixels. */
const ROW_HEIGHT = 58;
/** Rows made ready above and below what is seen. */
const READY = 8;

/** The book of recipes: what one box of each delivers and costs. */
export function RecipesPage() {
  const kitchen = useGetKitchenQuery().data;
  useListPublishedCardsQuery(undefined, { refetchOnMountOrArgChange: true });
  const [words, setWords] = useState('');
  const [order, setOrder] = useState<RecipeOrder>('series');
  const showsCosts = useMay('costs');
  const [starting, setStarting] = useState(false);
  const [first, setFirst] = useState(0);
  const { kept, chosen, choose, verdictOf } = useBriefFilter();
  const only = useMemo(() => (chosen === '' ? undefined : (id: string) => verdictOf(id) !== 'misses'), [chosen, verdictOf]);
  const rows = useRecipeRows({ order, words, first, only });
  if (rows.error) return <Trouble text={problemText(problemOf(rows.error))} again={rows.again} />;
  return (
    <main className="page">
      <div className="page-head">
        <h1>Recipes</h1>
        <span className="muted">{kitchen?.name}</span>
        <Input
          className="filter"
          type="search"
          placeholder="Filter by name or series"
          aria-label="Filter recipes"
          value={words}
          maxLength={200}
          onChange={({ target }) => setWords(target.value)}
        />
        {kept.length > 0 && (
          <Select aria-label="What meets a brief" value={chosen} onChange={({ target }) => choose(target.value)}>
            <option value="">any brief</option>
            {kept.map(({ name }) => (
              <option key={name} value={name}>
                meets {name}
              </option>
            ))}
          </Select>
        )}
        <Segmented
          label="Order"
          value={order}
          options={showsCosts ? ORDERS : ORDERS.filter(([one]) => one !== 'usedCost')}
          onChange={setOrder}
        />
        {(rows.total ?? 0) > 20 && (
          <span className="faint text-small" role="status">
            {numberText(rows.total ?? 0, 0)} recipes
          </span>
        )}
        {rows.computing > 0 && (
          <span className="warn text-small" role="status">
            … {rows.computing === 1 ? 'one dish is' : `${numberText(rows.computing, 0)} dishes are`} being added up
          </span>
        )}
        <FindingsLink />
        <IfMay right="edit">
          <Button kind="main" className="ml-auto" onClick={() => setStarting(true)}>
            Start a recipe
          </Button>
        </IfMay>
      </div>
      <FoundAgainRemark />
      {rows.total === 0 && words === '' && !only ? (
        <div className="empty">
          <h2>No recipe yet</h2>
          <p className="muted mb-4">
            Every dish you design stands here with what one box delivers and costs. Start one, or load the demo with “portiona demo”.
          </p>
          <IfMay right="edit">
            <Button kind="main" onClick={() => setStarting(true)}>
              Start a recipe
            </Button>
          </IfMay>
        </div>
      ) : (
        <Ledger className={kitchen?.index ? 'book indexed' : 'book'}>
          <LedgerRow heads>
            <span>per box</span>
            <span className="num">weight</span>
            <span className="num">energy</span>
            <span className="num">protein</span>
            <span className="num">carbohydrate</span>
            <span className="num">fat</span>
            <span className="num">used</span>
            <span className="num">till, batch</span>
            {kitchen?.index && (
              <span className="num" title={kitchen.index.formula}>
                {kitchen.index.name}
              </span>
            )}
            <span>energy from</span>
            <span />
          </LedgerRow>
          <RecipeRowsShown
            rows={rows}
            grouped={order === 'series'}
            currency={kitchen?.currency ?? 'EUR'}
            index={kitchen?.index}
            onFirst={setFirst}
          />
          {rows.total === undefined && (
            <p className="muted p-6 col-span-full" role="status">
              What each box delivers and costs is being added up …
            </p>
          )}
          {rows.total === 0 && (
            <p className="muted p-6 col-span-full">
              {words === '' ? 'No recipe meets that brief.' : `No recipe has “${words}” in its name or series.`}
            </p>
          )}
        </Ledger>
      )}
      <p className="px-5 py-3 text-compact">
        <Button asChild kind="quiet">
          <Link to="/put-away">What was put away</Link>
        </Button>
      </p>
      <NewRecipe open={starting} onClose={() => setStarting(false)} />
    </main>
  );
}

interface RecipeRowsShownProps {
  readonly rows: RecipeRows;
  /** Whether each series has its heading. */
  readonly grouped: boolean;
  readonly currency: string;
  readonly index: IndexFormula | undefined;
  /** Told the first row that is looked at. */
  readonly onFirst: (index: number) => void;
}

/** The rows that are on the screen, and room for the rest: a book of thousands scrolls like one of ten. */
function RecipeRowsShown({ rows, grouped, currency, index: own, onFirst }: RecipeRowsShownProps) {
  const [top, setTop] = useState(0);
  const virtualizer = useWindowVirtualizer({
    count: rows.total ?? 0,
    estimateSize: () => ROW_HEIGHT,
    overscan: READY,
    scrollMargin: top,
    getItemKey: (index) => rows.at(index)?.id ?? index,
  });
  const shown = virtualizer.getVirtualItems();
  const first = shown[0]?.index ?? 0;
  useEffect(() => onFirst(first), [onFirst, first]);
  const above = (shown[0]?.start ?? top) - top;
  const below = virtualizer.getTotalSize() - ((shown.at(-1)?.end ?? top) - top);
  return (
    <>
      <div
        className="ledger-room"
        style={{ height: above }}
        ref={(room) => setTop(room ? room.getBoundingClientRect().top + window.scrollY : 0)}
      />
      {shown.map(({ index, key }) => {
        const recipe = rows.at(index);
        const series = recipe?.series ?? 'Not in a series';
        const before = rows.at(index - 1);
        const heads =
          grouped && recipe !== undefined && (index === 0 || (before !== undefined && (before.series ?? 'Not in a series') !== series));
        return (
          <div key={key} className="ledger-item" data-index={index} ref={virtualizer.measureElement}>
            {heads && <LedgerGroup>{series}</LedgerGroup>}
            {recipe ? (
              <RecipeRow recipe={recipe} lasts={rows.computing > 0} currency={currency} index={own} />
            ) : (
              <LedgerRow className="coming" aria-hidden />
            )}
          </div>
        );
      })}
      <div className="ledger-room" style={{ height: Math.max(0, below) }} />
    </>
  );
}

function Trouble({ text, again }: { readonly text: string; readonly again: () => void }) {
  return (
    <main className="page">
      <div className="empty" role="alert">
        <h2>The recipes cannot be shown</h2>
        <p className="muted mb-4">{text}</p>
        <Button kind="main" onClick={again}>
          Try again
        </Button>
      </div>
    </main>
  );
}
