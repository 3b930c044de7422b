import { useMemo } from 'react';
import { Link } from 'react-router';
import { agoText, dayText, packWords, priceHistory } from '@portiona/core';
import { usePriceMovesQuery, type PriceMoveDto } from '../../api/api.gen';
import { FigureSource } from '../../ui/FigureSource';
import { percentText, priceText, signedPercent } from '../../ui/numberText';
import type { LoadedKitchen } from '../kitchen/useKitchen';
import { PackCells } from './PackCells';
import { Ledger, LedgerRow } from '../../ui/Ledger';
import { Button } from '../../ui/Button';
import { Chip } from '../../ui/Chip';

/** Packs that are told where no price has moved yet. */
const MOST_OLD = 12;

/** What moved most since it was first seen; where nothing has, what nobody has looked at for longest. */
export function PriceMoves({ here: { kitchen, foods } }: { readonly here: LoadedKitchen }) {
  const moves = usePriceMovesQuery(undefined, { refetchOnMountOrArgChange: true }).data;
  const { currency, date } = kitchen.settings;
  const oldest = useMemo(
    () =>
      foods
        .flatMap((food) => priceHistory(food, kitchen.packsOf(food.id)).map(({ latest: { pack } }) => ({ food, pack })))
        .sort((a, b) => (a.pack.seen < b.pack.seen ? -1 : 1))
        .slice(0, MOST_OLD),
    [foods, kitchen],
  );
  if (!moves || oldest.length === 0) return null;
  const moved = moves.length > 0;
  return (
    <Ledger className="answers">
      <LedgerRow heads>
        <span>{moved ? 'moved most since first seen' : 'seen longest ago'}</span>
        <span>shop</span>
        <span className="num">pack</span>
        <span className="num">{moved ? 'first' : ''}</span>
        <span className="num">{moved ? 'now' : 'price'}</span>
        <span />
      </LedgerRow>
      {moves.map((move) => (
        <Move key={`${move.food} ${move.shop} ${move.net} ${move.unit}`} move={move} today={date} />
      ))}
      {!moved &&
        oldest.map(({ food, pack: { id, shop, net, unit, price, seen } }) => (
          <LedgerRow key={`${food.id} ${id ?? ''}`}>
            <PackCells food={food.id} name={food.name} shop={shop} net={net} unit={unit} />
            <span />
            <span className="num font-semibold">{priceText(Number(price), currency)}</span>
            <span className="muted">seen {agoText(seen, date)}</span>
          </LedgerRow>
        ))}
    </Ledger>
  );
}

function Move({ move, today }: { readonly move: PriceMoveDto; readonly today: string }) {
  const { food, name, currency, net, unit, shop, change, promotion } = move;
  const [first, latest] = [priceText(Number(move.first), currency), priceText(Number(move.latest), currency)];
  return (
    <LedgerRow>
      <PackCells {...move} />
      <span className="num muted">{first}</span>
      <span className="num font-semibold">{latest}</span>
      <span>
        <FigureSource
          name={`the change of ${name}`}
          className={change > 0 ? 'warn' : 'ok'}
          steps={[
            `First seen ${dayText(move.firstSeen, true)}: ${packWords(net, unit)} at ${shop} for ${first}`,
            `Last seen ${agoText(move.latestSeen, today)}: ${latest}${promotion ? ', an offer' : ''}`,
            `${latest} ÷ ${first} − 1 = ${signedPercent(change, 1)}`,
          ]}
          link={
            <Button asChild kind="quiet">
              <Link to={`/pantry/${food}?show=usedCost`}>All prices of {name}</Link>
            </Button>
          }
        >
          {change > 0 ? '▲' : '▼'} {percentText(Math.abs(change), 1)} since {dayText(move.firstSeen, false)}
        </FigureSource>
        {promotion && (
          <Chip tone="warn" className="ml-2">
            offer
          </Chip>
        )}
      </span>
    </LedgerRow>
  );
}
