import { useDeferredValue, useState } from 'react';
import { useListRecipesQuery, usePageRecipesQuery, type ListedRecipeDto, type PageRecipesApiArg } from '../../api/api.gen';

export type RecipeOrder = NonNullable<PageRecipesApiArg['order']>;

/** Rows asked for at once: more than two screens of them. */
const ROWS = 100;

/** Milliseconds after which rows that were being computed anew are asked for again: most are computed by then, and then now and then. */
const [AT_FIRST, AGAIN_AFTER] = [150, 700];

/** A list of recipes of which only what is looked at is fetched. */
export interface RecipeRows {
  /** Undefined until anything is known. */
  readonly total: number | undefined;
  /** Recipes that are being computed anew for more than a moment: rows of theirs show what was before, and each may come to stand elsewhere. */
  readonly computing: number;
  /** Undefined where the row is still to come. */
  readonly at: (index: number) => ListedRecipeDto | undefined;
  readonly error: unknown;
  readonly again: () => void;
}

interface Wanted {
  readonly order: RecipeOrder;
  readonly words: string;
  /** The first row that is looked at. */
  readonly first: number;
  /** Only these are shown, of all; undefined: whatever there is. */
  readonly only: ((id: string) => boolean) | undefined;
}

/** Recipes in an order, a page and the next at a time; all of them where each has to be asked about. */
export function useRecipeRows({ order, words, first, only }: Wanted): RecipeRows {
  const asked = useDeferredValue(words);
  const page = Math.floor(first / ROWS);
  const [since, computingSince] = useState<number>();
  const [lasts, setLasts] = useState(false);
  const pollingInterval = since === undefined ? 0 : lasts ? AGAIN_AFTER : AT_FIRST;
  const fresh = { skip: only !== undefined, refetchOnMountOrArgChange: true, pollingInterval };
  const here = usePageRecipesQuery({ order, words: asked, from: page * ROWS, count: ROWS }, fresh);
  const total = here.data?.total;
  const next = usePageRecipesQuery(
    { order, words: asked, from: (page + 1) * ROWS, count: ROWS },
    { ...fresh, skip: fresh.skip || (page + 1) * ROWS >= (total ?? 0) },
  );
  const all = useListRecipesQuery(undefined, { ...fresh, skip: only === undefined });
  const { fulfilledTimeStamp: at = 0 } = only ? all : here;
  const underWay = (only ? all.data?.filter((row) => row.computing).length : here.data?.computing) ?? 0;
  if (underWay > 0 ? since === undefined : since !== undefined) computingSince(underWay > 0 ? at : undefined);
  if (lasts !== (since !== undefined && at > since)) setLasts(since !== undefined && at > since);
  const computing = lasts ? underWay : 0;
  if (only) {
    const kept = all.data && sorted(all.data, order).filter((row) => only(row.id) && isCalled(row, asked));
    return { total: kept?.length, computing, at: (index) => kept?.[index], error: all.error, again: () => void all.refetch() };
  }
  return {
    total,
    computing,
    at: (index) => {
      const rows = Math.floor(index / ROWS) === page ? here.currentData : next.currentData;
      return Math.floor(index / ROWS) === page || Math.floor(index / ROWS) === page + 1 ? rows?.recipes[index % ROWS] : undefined;
    },
    error: here.error,
    again: () => void here.refetch(),
  };
}

function isCalled({ title, series = '' }: ListedRecipeDto, words: string): boolean {
  const called = `${title} ${series}`.toLowerCase();
  return words
    .toLowerCase()
    .split(' ')
    .every((word) => called.includes(word));
}

/** As the server orders pages: what is unknown comes last. */
function sorted(recipes: readonly ListedRecipeDto[], order: RecipeOrder): ListedRecipeDto[] {
  if (order === 'savedAt') return [...recipes];
  if (order === 'series')
    return [...recipes].sort(
      (a, b) =>
        (a.series ?? '\uffff').localeCompare(b.series ?? '\uffff') || (a.number ?? 0) - (b.number ?? 0) || a.title.localeCompare(b.title),
    );
  const sign = order === 'protein' ? -1 : 1;
  const amount = (recipe: ListedRecipeDto) => (recipe[order].amount === null ? Infinity : sign * recipe[order].amount);
  return [...recipes].sort((a, b) => amount(a) - amount(b));
}
