import { useState } from 'react';
import { dayFigures, poolsByKey, type PlannedMeal } from '@portiona/core';
import { Link } from 'react-router';
import { priceText } from '../../ui/numberText';
import type { WeekHere } from './useWeek';
import { boxesText } from './weekWords';

/** What the week costs: what its boxes use, what their sessions cost at the till, and what is left of it. */
export function WeekMoney({ here: { week, ground, opened } }: { readonly here: WeekHere }) {
  const { currency, till } = opened;
  const pools = poolsByKey(ground.pools);
  const [open, setOpen] = useState(false);
  const usedText = (meals: readonly PlannedMeal[]) => {
    const { amount, atLeast } = dayFigures(meals, {}, pools).figureOf('usedCost');
    return amount === undefined ? '?' : `${atLeast ? '≥ ' : ''}${priceText(amount, currency)}`;
  };
  return (
    <aside className="docket plan-docket week-docket" aria-label="Costs of the week">
      <h2>
        <span>The week</span>
        <span>{boxesText(week.meals.length)}</span>
      </h2>
      <button type="button" className="fig" aria-expanded={open} onClick={() => setOpen(!open)}>
        <span className="fig-name">Used, all boxes eaten</span>
        <span className="fig-value">{usedText(week.meals)}</span>
      </button>
      {open && (
        <ul className="week-working">
          {ground.people.map(({ id, name }) => {
            const own = week.meals.filter(({ person }) => person === id);
            return (
              <li key={id}>
                <span>
                  {name}, {boxesText(own.length)}
                </span>
                <b>{usedText(own)}</b>
              </li>
            );
          })}
        </ul>
      )}
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
