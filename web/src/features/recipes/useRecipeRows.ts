import { useDeferredValue } from 'react';
import { useListRecipesQuery, usePageRecipesQuery, type ListedRecipeDto, type PageRecipesApiArg } from '../../api/api.gen';

export type RecipeOrder = NonNullable<PageRecipesApiArg['order']>;

/** Rows asked for at once: more than two screens of them. */
const ROWS = 100;

/** A list of recipes of which only what is looked at is fetched. */
export interface RecipeRows {
  /** Undefined until anything is known. */
  readonly total: number | undefined;
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
  const fresh = { skip: only !== undefined, refetchOnMountOrArgChange: true };
  const here = usePageRecipesQuery({ order, words: asked, from: page * ROWS, count: ROWS }, fresh);
  const total = here.data?.total;
  const next = usePageRecipesQuery(
    { order, words: asked, from: (page + 1) * ROWS, count: ROWS },
    { ...fresh, skip: fresh.skip || (page + 1) * ROWS >= (total ?? 0) },
  );
  const all = useListRecipesQuery(undefined, { skip: only === undefined, refetchOnMountOrArgChange: true });
  if (only) {
    const kept = all.data && sorted(all.data, order).filter((row) => only(row.id) && isCalled(row, asked));
    return { total: kept?.length, at: (index) => kept?.[index], error: all.error, again: () => void all.refetch() };
  }
  return {
    total,
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
