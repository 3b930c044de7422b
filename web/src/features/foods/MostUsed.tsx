import { Link } from 'react-router';
import { useUsedFoodsQuery } from '../../api/api.gen';
import type { LoadedKitchen } from '../kitchen/useKitchen';
import { Ledger, LedgerRow } from '../../ui/Ledger';
import { Button } from '../../ui/Button';
import './compare.css';

/** Foods that could stand in one's place, by its name: shown beside it. */
const MOST_LIKE = 3;

/** Something worth comparing before anything is chosen: what most recipes use, and what is called alike. */
export function MostUsed({ here, onCompare }: { readonly here: LoadedKitchen; readonly onCompare: (foods: readonly string[]) => void }) {
  const used = useUsedFoodsQuery(undefined, { refetchOnMountOrArgChange: true }).data;
  if (!used || used.length === 0) return null;
  return (
    <Ledger role="region" aria-label="Foods used most" className="used-most">
      <LedgerRow heads>
        <span>used most</span>
        <span className="num">recipes</span>
        <span>beside it</span>
      </LedgerRow>
      {used.map(({ id, name, recipes }) => {
        const like = alike(id, name, here);
        return (
          <LedgerRow key={id}>
            <Link className="font-serif text-line hover:underline" to={`/pantry/${id}`}>
              {name}
            </Link>
            <span className="num">{recipes}</span>
            <span className="flex gap-2 flex-wrap">
              {like.map((other) => (
                <Button
                  key={other.id}

                  onClick={() => onCompare([id, other.id])}
                  hint={`Compare ${name} with ${other.name}`}
                >
                  {other.name}
                </Button>
              ))}
              {like.length === 0 && (
                <Button kind="quiet" onClick={() => onCompare([id])}>
                  choose what to set beside it
                </Button>
              )}
            </span>
          </LedgerRow>
        );
      })}
    </Ledger>
  );
}

/** Foods whose name begins with the same word, or that are found by it, but for the food itself. */
function alike(id: string, name: string, { index, kitchen }: LoadedKitchen) {
  const words = name.split(',')[0] ?? name;
  const shelf = kitchen.food(id)?.aisle;
  return index
    .find(words, 12)
    .map(({ food }) => food)
    .filter((food) => food.id !== id && (shelf === undefined || food.aisle === undefined || food.aisle === shelf))
    .slice(0, MOST_LIKE);
}
