import { useState } from 'react';
import { Link } from 'react-router';
import { cardSeries, dayText } from '@portiona/core';
import { useListPublishedCardsQuery, useListRecipesQuery, type PublishedCardDto } from '../../api/api.gen';
import { UnreadPage } from '../../ui/UnreadPage';
import { problemOf, problemText } from '../../api/problem';
import { Button } from '../../ui/Button';
import { DropPanel } from '../../ui/DropPanel';
import { Ledger, LedgerGroup, LedgerRow } from '../../ui/Ledger';
import { Binding } from '../series/Binding';
import { CardsChart, pointsOf } from './CardsChart';
import { DriftWatch } from './DriftWatch';
import { ReadersAddress } from './ReadersAddress';
import { Tolerances } from './Tolerances';
import './cards.css';
import { kitchenAddress } from '../../api/kitchenAtHand';

/** Drifted cards that are opened at first, at most. */
const MOST_OPEN = 2;

/** Every card that readers hold, by series: what it delivers and costs as published, when, and whether it still holds. */
export function CardsPage() {
  const { data: cards, error, refetch } = useListPublishedCardsQuery(undefined, { refetchOnMountOrArgChange: true });
  const recipes = useListRecipesQuery().data;
  if (error) return <UnreadPage why={problemText(problemOf(error))} onRetry={() => void refetch()} />;
  if (!cards) return <main className="page" aria-busy="true" />;
  const points = pointsOf(cards);
  const without = (recipes ?? []).filter(({ id }) => !cards.some(({ recipe }) => recipe === id));
  const drifted = cards.filter(({ drift }) => drift.length > 0).length;
  const broke = cards.filter(({ broke }) => broke.length > 0).length;
  // What needs looking at is seen without a press, where that is not half the page.
  const shown = drifted <= MOST_OPEN;
  return (
    <main className="page">
      <div className="page-head">
        <h1>Cards</h1>
        <span className="muted">
          {cards.length === 0
            ? ''
            : `${cards.length} published, ${drifted === 0 ? 'all of them hold' : `${drifted} no longer what would be printed`}${broke === 0 ? '' : `, ${broke === 1 ? 'one breaks a promise' : `${broke} break a promise`}`}`}
        </span>
        {cards.length > 0 && (
          <span className="ml-auto flex flex-wrap gap-2">
            <DropPanel
              trigger={
                <Button>
                  Bind all <span aria-hidden>▾</span>
                </Button>
              }
              className="w-[340px] max-w-[94vw] p-0"
              label="Every card, bound together"
            >
              <Binding />
            </DropPanel>
            <Tolerances />
            <ReadersAddress />
          </span>
        )}
      </div>
      {cards.length === 0 ? (
        <div className="empty">
          <h2>Nothing is published yet</h2>
          <p className="muted mb-4">A card is published at a dish’s Card station. It is kept whole: nothing you edit later changes it.</p>
        </div>
      ) : (
        <Ledger className="cards">
          <LedgerRow heads>
            <span>card</span>
            <span className="num">energy</span>
            <span className="num">protein</span>
            <span className="num">used</span>
            <span>published</span>
            <span>today</span>
          </LedgerRow>
          {bySeries(cards).map(([series, own]) => (
            <div className="contents" key={series}>
              <LedgerGroup>
                {series === '' ? (
                  'Of no series'
                ) : (
                  <Link className="cards-series" to={`/cards/series/${encodeURIComponent(series)}`}>
                    {series} <small>order, title page, booklet</small>
                  </Link>
                )}
              </LedgerGroup>
              {own.map((card) => (
                <CardRow key={card.recipe} card={card} shown={shown} />
              ))}
            </div>
          ))}
        </Ledger>
      )}
      {points.length > 1 && (
        <section className="cards-chart">
          <h2>Protein against cost</h2>
          <p className="muted text-compact">As large as its energy. A point opens its card.</p>
          <CardsChart points={points} />
        </section>
      )}
      {without.length > 0 && (
        <p className="cards-without text-compact muted">
          Not published:{' '}
          {without.map(({ id, title }, i) => (
            <span key={id}>
              {i > 0 && ', '}
              <Link className="underline" to={`/recipes/${id}/card`}>
                {title}
              </Link>
            </span>
          ))}
          .
        </p>
      )}
    </main>
  );
}

function CardRow({ card, shown }: { readonly card: PublishedCardDto; readonly shown: boolean }) {
  const { recipe, title, series, printed, issue, publishedAt, drift, within, broke, uncomputed, takenBack } = card;
  const [open, setOpen] = useState((shown && drift.length > 0) || broke.length > 0);
  const figure = (name: string) => printed.find((one) => one.name === name);
  const holds = drift.length === 0 && uncomputed === null;
  return (
    <LedgerRow>
      <span>
        <Link className="dish" to={`/recipes/${recipe}/card`}>
          {title}
        </Link>
        <span className="card-said">{numberOf(series)}</span>
      </span>
      {['Energy', 'Protein'].map((name) => (
        <span key={name} className="num">
          {figure(name)?.text ?? '–'}
          <small>{figure(name)?.unit}</small>
        </span>
      ))}
      <span className="num">{usedText(printed)}</span>
      <span>
        issue {issue}
        <span className="card-said">{dayText(publishedAt.slice(0, 10), true)}</span>
      </span>
      <span>
        {takenBack !== null ? (
          <span className="warn">▲ taken back: {takenBack}</span>
        ) : holds ? (
          <span className="ok">
            ✓ holds
            {within.length > 0 && (
              <Button kind="quiet" aria-expanded={open} onClick={() => setOpen(!open)}>
                {within.length === 1 ? 'one figure moved a little' : `${within.length} figures moved a little`} {open ? '▴' : '▾'}
              </Button>
            )}
          </span>
        ) : uncomputed !== null ? (
          <span className="warn">▲ nobody can tell: {uncomputed}</span>
        ) : (
          <Button kind="quiet" className="warn" aria-expanded={open} onClick={() => setOpen(!open)}>
            ▲ {drift.length === 1 ? 'one thing differs' : `${drift.length} things differ`} {open ? '▴' : '▾'}
          </Button>
        )}
        <a
          className="card-said underline"
          href={kitchenAddress(`/recipes/${recipe}/card.html?issue=${issue}`)}
          target="_blank"
          rel="noreferrer"
        >
          as published
        </a>
      </span>
      {open && drift.length + within.length > 0 && <DriftWatch card={card} />}
    </LedgerRow>
  );
}

function numberOf(series: string): string {
  const { number } = cardSeries(series);
  return number === undefined ? '' : `no. ${number}`;
}

function usedText(printed: PublishedCardDto['printed']): string {
  const used = printed.find(({ name }) => name !== 'Energy' && name !== 'Protein');
  return used ? `${used.unit} ${used.text}`.trim() : '–';
}

function bySeries(cards: readonly PublishedCardDto[]): readonly (readonly [series: string, cards: readonly PublishedCardDto[]])[] {
  const groups = new Map<string, PublishedCardDto[]>();
  for (const card of cards) groups.set(cardSeries(card.series).name, [...(groups.get(cardSeries(card.series).name) ?? []), card]);
  const number = ({ series }: PublishedCardDto) => cardSeries(series).number ?? Infinity;
  // What is of no series stands last.
  return [...groups]
    .sort(([a], [b]) => (a === '' ? 1 : b === '' ? -1 : a.localeCompare(b)))
    .map(([series, own]) => [series, own.toSorted((a, b) => number(a) - number(b))]);
}
