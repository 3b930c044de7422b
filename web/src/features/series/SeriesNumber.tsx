import { Link } from 'react-router';
import type { Recipe } from '@portiona/core';
import { useListSeriesQuery } from '../../api/api.gen';
import { Button } from '../../ui/Button';

interface SeriesNumberProps {
  readonly recipe: Recipe;
  readonly onNumber: (number: number) => void;
}

/** What a dish's number is to its series: the next one where it has none, and who else has the same. */
export function SeriesNumber({ recipe: { id, series = '', number }, onNumber }: SeriesNumberProps) {
  const all = useListSeriesQuery(undefined, { refetchOnMountOrArgChange: true }).data;
  const name = series.trim();
  if (!all || name === '') return <span />;
  const others = all.find((one) => one.name === name)?.dishes.filter((dish) => dish.id !== id) ?? [];
  const next = Math.floor(Math.max(0, ...others.map((dish) => dish.number ?? 0))) + 1;
  const same = number === undefined ? undefined : others.find((dish) => dish.number === number);
  return (
    <span className="text-compact self-end">
      {number === undefined ? (
        <Button kind="quiet" onClick={() => onNumber(next)}>
          no. {next} is next
        </Button>
      ) : same ? (
        <span className="warn">
          ▲ {same.title} is no. {number} too:{' '}
          <Link className="underline" to={`/cards/series/${encodeURIComponent(name)}`}>
            order them
          </Link>
        </span>
      ) : (
        others.length > 0 && (
          <Link className="underline muted" to={`/cards/series/${encodeURIComponent(name)}`}>
            {others.length + 1} in the series
          </Link>
        )
      )}
    </span>
  );
}
