import { api, type ListedRecipeDto } from '../../api/api.gen';
import { useApiDispatch } from '../../api/useApiDispatch';
import { priceText } from '../../ui/numberText';
import { useToast } from '../../ui/Toasts';

/** Dishes told by name; of the others how many. */
const MOST_TOLD = 2;

/** Does something that changes prices, and says which dishes it moved. */
export function useMovedDishes(currency: string): <Done>(work: () => Promise<Done>) => Promise<Done> {
  const dispatch = useApiDispatch();
  const say = useToast();
  // What cannot be told of is not told; the work itself goes on.
  const costs = () =>
    dispatch(api.endpoints.listRecipes.initiate(undefined, { forceRefetch: true, subscribe: false }))
      .unwrap()
      .catch(() => undefined);
  return async (work) => {
    const before = await costs();
    const done = await work();
    const after = before && (await costs());
    const moved = before && after ? movedDishes(before, after, currency) : [];
    if (moved.length > 0) say(`${moved.length === 1 ? 'One dish costs' : `${moved.length} dishes cost`} otherwise now: ${toldOf(moved)}.`);
    return done;
  };
}

function toldOf(moved: readonly string[]): string {
  const more = moved.length - MOST_TOLD;
  return `${moved.slice(0, MOST_TOLD).join('; ')}${more > 0 ? ` and ${more} more` : ''}`;
}

type Costed = Pick<ListedRecipeDto, 'id' | 'title' | 'usedCost' | 'computing'>;

/** Dishes whose cost a serving reads otherwise than before, in words, what moved most first; of one that is being computed nothing is told. */
export function movedDishes(before: readonly Costed[], after: readonly Costed[], currency: string): string[] {
  const was = new Map(before.filter(({ computing }) => !computing).map((one) => [one.id, one.usedCost]));
  const text = ({ amount, atLeast }: Costed['usedCost']) =>
    amount === null ? 'no price' : `${atLeast ? 'at least ' : ''}${priceText(amount, currency)}`;
  return after
    .flatMap(({ id, title, usedCost, computing }) => {
      const old = was.get(id);
      if (!old || computing || text(old) === text(usedCost)) return [];
      return [{ by: Math.abs((usedCost.amount ?? 0) - (old.amount ?? 0)), words: `${title} ${text(old)} → ${text(usedCost)}` }];
    })
    .sort((a, b) => b.by - a.by)
    .map(({ words }) => words);
}
