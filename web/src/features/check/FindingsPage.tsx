import { useState } from 'react';
import { Link } from 'react-router';
import { ABOUT, FINDING_AREAS, type FindingArea } from '@portiona/core';
import { useListFindingsQuery, type RecipeFindingsDto } from '../../api/api.gen';
import { UnreadPage } from '../../ui/UnreadPage';
import { problemOf, problemText } from '../../api/problem';
import { Segmented } from '../../ui/Segmented';
import { placeShort } from './findingPlaces';
import './findingsPage.css';

type Shown = 'all' | 'wrong' | FindingArea;

/** What Check finds in the whole kitchen: dish by dish, most wrong first, each finding a way to its place at the desk. */
export function FindingsPage() {
  const { data: dishes, error, refetch } = useListFindingsQuery(undefined, { refetchOnMountOrArgChange: true });
  const [shown, setShown] = useState<Shown>('all');
  if (error) return <UnreadPage why={problemText(problemOf(error))} onRetry={() => void refetch()} />;
  if (!dishes) return <main className="page" aria-busy="true" />;
  const all = dishes.flatMap(({ open }) => open);
  const wrong = all.filter(({ severity }) => severity === 'wrong').length;
  const seen = dishes
    .map((dish) => ({ ...dish, open: dish.open.filter((one) => isShown(one, shown)) }))
    .filter(({ open, uncomputed }) => open.length > 0 || (uncomputed !== null && shown === 'all'));
  return (
    <main className="page">
      <div className="page-head">
        <h1>What Check finds</h1>
        <span className="muted">
          {dishes.length === 0
            ? 'nothing in any dish'
            : `${wrong} wrong, ${all.length - wrong} to look at, in ${dishes.length === 1 ? 'one dish' : `${dishes.length} dishes`}`}
        </span>
        {all.length > 0 && (
          <Segmented
            label="What it is about"
            value={shown}
            onChange={setShown}
            options={[['all', 'all'], ['wrong', 'wrong'], ...FINDING_AREAS.map((area) => [area, area] as const)]}
          />
        )}
      </div>
      {dishes.length === 0 && (
        <div className="empty">
          <h2>Nothing to look at</h2>
          <p className="muted">Every rule was tried on every dish of the kitchen.</p>
        </div>
      )}
      {dishes.length > 0 && seen.length === 0 && <p className="muted px-5 py-4">Nothing of that kind in any dish.</p>}
      <div className="found-dishes">
        {seen.map((dish) => (
          <Dish key={dish.recipe} dish={dish} />
        ))}
      </div>
    </main>
  );
}

function isShown({ code, severity }: RecipeFindingsDto['open'][number], shown: Shown): boolean {
  if (shown === 'all') return true;
  return shown === 'wrong' ? severity === 'wrong' : ABOUT[code].area === shown;
}

function Dish({ dish: { recipe, title, open, left, uncomputed } }: { readonly dish: RecipeFindingsDto }) {
  const desk = `/recipes/${recipe}/check`;
  return (
    <div className="found-dish">
      <h2>
        <Link to={desk}>{title}</Link>
        {left > 0 && <small>{left} left with a reason</small>}
      </h2>
      {uncomputed !== null && <p className="bad">✕ It cannot be checked: {uncomputed}.</p>}
      <ul>
        {open.map(({ code, at, severity, message }) => (
          <li key={`${code} ${at} ${message}`}>
            <span className={severity === 'wrong' ? 'bad' : 'warn'} aria-hidden>
              {severity === 'wrong' ? '✕' : '▲'}
            </span>
            <Link className="found-at" to={{ pathname: desk, search: `?at=${encodeURIComponent(at)}` }}>
              {placeShort(at)}
            </Link>
            <span>
              <span className="sr">{severity === 'wrong' ? 'Wrong: ' : 'To look at: '}</span>
              {message}
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}
