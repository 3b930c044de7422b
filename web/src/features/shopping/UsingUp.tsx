import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { useUsesUpLeftQuery } from '../../api/api.gen';
import { priceText } from '../../ui/numberText';
import { dayMonth } from '../plan/planWords';
import { shortName } from './shoppingWords';

interface UsingUpProps {
  /** Sessions whose shopping leaves something over, with commas; none: what is in stock alone. */
  readonly sessions: string;
  readonly currency: string;
  readonly summary: ReactNode;
}

/** Dishes that would use up what is left over and in stock: what spoils first. Worked out when it is opened. */
export function UsingUp({ sessions, currency, summary }: UsingUpProps) {
  const [open, setOpen] = useState(false);
  const { data, error } = useUsesUpLeftQuery({ sessions }, { skip: !open, refetchOnMountOrArgChange: true });
  return (
    <details className="shop-more" onToggle={({ currentTarget }) => setOpen(currentTarget.open)}>
      <summary>{summary}</summary>
      {error !== undefined && <p className="muted">Which dishes would use it up cannot be had just now.</p>}
      {data?.length === 0 && <p className="muted">No other dish takes any of it.</p>}
      <ul>
        {(data ?? []).map(({ recipe, title, worth, foods, before }) => (
          <li key={recipe}>
            <Link className="dish" to={`/recipes/${recipe}/build`}>
              {title}
            </Link>{' '}
            takes {priceText(worth, currency)} of it
            {before !== null && (
              <>
                , some of it <span className="warn">before {dayMonth(before)}</span>
              </>
            )}
            : {foods.map(({ name, takes, all }) => `${shortName(name)}, ${all ? 'all' : `${Math.round(takes)} g`}`).join('; ')}
          </li>
        ))}
      </ul>
    </details>
  );
}
