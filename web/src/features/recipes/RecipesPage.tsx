import { useEffect, useMemo, useState } from 'react';
import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { Link, useNavigate } from 'react-router';
import { Copy, Archive } from 'lucide-react';
import { cutText, indexText, type IndexFormula } from '@portiona/core';
import {
  api,
  useArchiveRecipeMutation,
  useCreateRecipeMutation,
  useGetKitchenQuery,
  useListPublishedCardsQuery,
  useRestoreRecipeMutation,
  type BandedFigureDto,
  type ListedFigureDto,
  type ListedRecipeDto,
} from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { underFreeId } from '../../api/underFreeId';
import { openedRecipe } from './openedRecipe';
import { useMay } from '../account/useMe';
import { useAppDispatch } from './useRecipeState';
import { EnergySplit } from '../../ui/EnergySplit';
import { numberText, priceText } from '../../ui/numberText';
import { useToast } from '../../ui/Toasts';
import { FindingsLink } from '../check/FindingsLink';
import { FoundAgainRemark } from './FoundAgainRemark';
import { NewRecipe } from './NewRecipe';
import { useBriefFilter } from './useBriefFilter';
import { useRecipeRows, type RecipeOrder, type RecipeRows } from './useRecipeRows';
import { Input } from '../../ui/Input';
import { Select } from '../../ui/Select';
import { Button } from '../../ui/Button';
import { Ledger, LedgerGroup, LedgerRow } from '../../ui/Ledger';
import { Chip } from '../../ui/Chip';
import { Segmented } from '../../ui/Segmented';
import '../../ui/ledger.css';
import { NoPrice } from '../account/NoPrice';
import './recipes.css';

/** Characters of a title, at most. */
const LONGEST_TITLE = 200;

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
        <FindingsLink />
        <Button kind="main" className="ml-auto" onClick={() => setStarting(true)}>
          Start a recipe
        </Button>
      </div>
      <FoundAgainRemark />
      {rows.total === 0 && words === '' && !only ? (
        <div className="empty">
          <h2>No recipe yet</h2>
          <p className="muted mb-4">
            Every dish you design stands here with what one box delivers and costs. Start one, or load the demo with “portiona demo”.
          </p>
          <Button kind="main" onClick={() => setStarting(true)}>
            Start a recipe
          </Button>
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
            {recipe ? <RecipeRow recipe={recipe} currency={currency} index={own} /> : <LedgerRow className="coming" aria-hidden />}
          </div>
        );
      })}
      <div className="ledger-room" style={{ height: Math.max(0, below) }} />
    </>
  );
}

interface RecipeRowProps {
  readonly recipe: ListedRecipeDto;
  readonly currency: string;
  /** The kitchen's own figure, where it has one. */
  readonly index: IndexFormula | undefined;
}

function RecipeRow({ recipe, currency, index }: RecipeRowProps) {
  const showsCosts = useMay('costs');
  const {
    id,
    title,
    servings,
    servingName,
    weight,
    energyKcal,
    protein,
    carbohydrate,
    fat,
    usedCost,
    tillCost,
    withTopping,
    wrong,
    look,
    unsure,
  } = recipe;
  const card = useListPublishedCardsQuery().data?.find((one) => one.recipe === id);
  const copy = useCopy(recipe);
  const away = useArchive(recipe);
  const working = (figure: string) => `/recipes/${id}/build?working=${figure}`;
  return (
    <LedgerRow>
      <span className="min-w-0">
        <Link className="dish" to={`/recipes/${id}/build`}>
          {title}
        </Link>
        <span className="muted text-small block">
          {recipe.number !== undefined && `no. ${recipe.number}, `}
          {numberText(servings, Number.isInteger(servings) ? 0 : 1)}{' '}
          {servingName === 'box' ? (servings === 1 ? 'box' : 'boxes') : `${servingName}${servings === 1 ? '' : 's'}`}
          {recipe.uncomputed !== null && <span className="bad block">✕ No figures: {recipe.uncomputed}.</span>}
          {recipe.uncomputed === null && wrong > 0 && (
            <Chip tone="bad" className="ml-2">
              ✕ {wrong} wrong
            </Chip>
          )}
          {recipe.brief && (
            <span className={`ml-2 ${recipe.brief === 'meets' ? 'ok' : recipe.brief === 'misses' ? 'bad' : 'warn'}`}>
              {{ meets: '✓ within its brief', perhaps: '▲ perhaps within its brief', misses: '✕ misses its brief' }[recipe.brief]}
            </span>
          )}
          {unsure > 0 && (
            <Chip tone="warn" className="ml-2">
              ▲ {unsure === 1 ? 'one line' : `${unsure} lines`} unsure
            </Chip>
          )}
          {look > 0 && (
            <Chip tone="warn" className="ml-2">
              ▲ {look} to look at
            </Chip>
          )}
          {card && (
            <Link
              className={`ml-2 underline underline-offset-2 ${card.drift.length > 0 || card.uncomputed !== null ? 'warn' : 'ok'}`}
              to={`/recipes/${id}/card`}
            >
              {card.uncomputed !== null ? '▲ card cannot be held against it' : card.drift.length > 0 ? '▲ card drifted' : '✓ card holds'}
            </Link>
          )}
          {withTopping && (
            <span className="ml-2 whitespace-nowrap">
              with topping {leastOf(withTopping.energyKcal, 0)} kcal, {leastOf(withTopping.protein, 1)} g protein
            </span>
          )}
        </span>
      </span>
      <FigureLink to={working('weight')} figure={{ amount: weight, atLeast: false }} unit="g" decimals={0} />
      <FigureLink to={working('energyKcal')} figure={energyKcal} unit="kcal" decimals={0} band={energyKcal.band} />
      <FigureLink to={working('protein')} figure={protein} unit="g" decimals={1} band={protein.band} />
      <FigureLink to={working('carbohydrate')} figure={carbohydrate} unit="g" decimals={0} />
      <FigureLink to={working('fat')} figure={fat} unit="g" decimals={1} />
      {showsCosts ? (
        <>
          <MoneyLink to={working('usedCost')} figure={usedCost} currency={currency} />
          <MoneyLink to={working('tillCost')} figure={tillCost} currency={currency} />
        </>
      ) : (
        <>
          <NotShown />
          <NotShown />
        </>
      )}
      {index && <IndexLink to={working('index')} figure={recipe.index} index={index} />}
      <span>
        <EnergySplit width={index ? '84%' : '100%'} shares={recipe.energyShares} />
      </span>
      <span className="flex gap-1 justify-end max-[720px]:hidden">
        <Button kind="icon" aria-label={`Copy ${title}`} hint="Copy" onClick={() => void copy()}>
          <Copy size={15} />
        </Button>
        <Button kind="icon" aria-label={`Put ${title} away`} hint="Put away" onClick={() => void away()}>
          <Archive size={15} />
        </Button>
      </span>
    </LedgerRow>
  );
}

function FigureLink({
  to,
  figure: { amount, atLeast },
  unit,
  decimals,
  band,
}: {
  readonly to: string;
  readonly figure: ListedFigureDto;
  readonly unit: string;
  readonly decimals: number;
  readonly band?: BandedFigureDto['band'];
}) {
  return (
    <Link className="num figure figbtn" to={to}>
      {amount !== null && atLeast && <span className="least">at least </span>}
      {amount === null ? <span className="faint">unknown</span> : numberText(amount, decimals)}
      {amount !== null && <small>{unit}</small>}
      {amount !== null && band && (
        <span className="band" title="95 % of what this figure could be">
          {band.map((end) => numberText(end, decimals)).join(' to ')}
        </span>
      )}
    </Link>
  );
}

/** Where a cost would stand, for whom it is not shown. */
function NotShown() {
  return (
    <span className="num faint" title="Costs of this kitchen are not shown to you">
      –<span className="sr"> not shown to you</span>
    </span>
  );
}

function MoneyLink({
  to,
  figure: { amount, atLeast },
  currency,
}: {
  readonly to: string;
  readonly figure: ListedFigureDto;
  readonly currency: string;
}) {
  return (
    <Link className="num figure figbtn" to={to}>
      {amount !== null && atLeast && <span className="least">at least </span>}
      {amount === null ? <NoPrice /> : priceText(amount, currency)}
    </Link>
  );
}

/** A figure lacking moves an index either way: it is no "at least". */
function IndexLink({ to, figure, index }: { readonly to: string; readonly figure: ListedFigureDto | null; readonly index: IndexFormula }) {
  const known = figure?.amount ?? undefined;
  return (
    <Link className="num figure figbtn" to={to}>
      {known === undefined ? <span className="faint">unknown</span> : indexText(known, index)}
      {known !== undefined && figure?.atLeast && <span className="least block">a figure lacking</span>}
    </Link>
  );
}

function leastOf({ amount, atLeast }: ListedFigureDto, decimals: number): string {
  return amount === null ? 'unknown' : `${atLeast ? 'at least ' : ''}${numberText(amount, decimals)}`;
}

function useCopy(recipe: ListedRecipeDto) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [create] = useCreateRecipeMutation();
  const say = useToast();
  return async () => {
    try {
      const open = await openedRecipe(recipe.id, dispatch);
      const title = cutText(`${recipe.title}, copy`, LONGEST_TITLE);
      const { number: _, ...document } = open.document;
      const { id } = await underFreeId(title, [recipe.id], (free) =>
        create({ newRecipeDto: { document: { ...document, id: free, title } } }).unwrap(),
      );
      await navigate(`/recipes/${id}/build`);
    } catch (error) {
      say(problemText(problemOf(error)));
    }
  };
}

function useArchive({ id, title }: ListedRecipeDto) {
  const [archive] = useArchiveRecipeMutation();
  const [restore] = useRestoreRecipeMutation();
  const say = useToast();
  const dispatch = useAppDispatch();
  return async () => {
    try {
      // Readers who have its address find nothing there: that is said.
      const [cards, address] = await Promise.all([
        dispatch(api.endpoints.listPublishedCards.initiate(undefined, { subscribe: false, forceRefetch: true })).unwrap(),
        dispatch(api.endpoints.getReadersAddress.initiate(undefined, { subscribe: false, forceRefetch: true })).unwrap(),
      ]);
      const isRead = address.on && cards.some(({ recipe, takenBack }) => recipe === id && takenBack === null);
      await archive({ id }).unwrap();
      say(`“${title}” is put away.${isRead ? ' Its card is gone from the readers’ address too.' : ''}`, {
        label: 'Undo',
        run: () => void restore({ id }),
      });
    } catch (error) {
      say(problemText(problemOf(error)));
    }
  };
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
