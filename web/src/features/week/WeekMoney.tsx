import { dayFigures, poolsByKey } from '@portiona/core';
import { Link } from 'react-router';
import { priceText } from '../../ui/numberText';
import type { WeekHere } from './useWeek';
import { boxesText } from './weekWords';

/** What the week costs: what its boxes use, what their sessions cost at the till, and what is left of it. */
export function WeekMoney({ here: { week, ground, opened } }: { readonly here: WeekHere }) {
  const { currency, till } = opened;
  const pools = poolsByKey(ground.pools);
  const used = dayFigures(week.meals, {}, pools).figureOf('usedCost');
  return (
    <aside className="docket plan-docket week-docket" aria-label="Costs of the week">
      <h2>
        <span>The week</span>
        <span>{boxesText(week.meals.length)}</span>
      </h2>
      <p className="fig">
        <span className="fig-name">Used, all boxes eaten</span>
        <span className="fig-value">
          {used.amount === undefined ? '?' : `${used.atLeast ? '≥ ' : ''}${priceText(used.amount, currency)}`}
        </span>
      </p>
      {till && (
        <>
          <p className="fig">
            <span className="fig-name">
              At the till,{' '}
              <Link className="underline" to={`/plan/shopping?sessions=${till.sessions.join(',')}`}>
                {till.sessions.length === 1 ? 'one session' : `${till.sessions.length} sessions`}
              </Link>
            </span>
            <span className="fig-value">
              {till.atLeast ? '≥ ' : ''}
              {priceText(Number(till.cost), currency)}
            </span>
          </p>
          <p className="fig">
            <span className="fig-name">Left over of the packs, worth</span>
            <span className="fig-value">{priceText(till.leftWorth, currency)}</span>
          </p>
        </>
      )}
    </aside>
  );
}
