import { useState } from 'react';
import { daysBetween, packKey } from '@portiona/core';
import { Button } from '../../ui/Button';
import { numberText, priceText } from '../../ui/numberText';
import { gramsText, otherPack, sizeText, standInOffers, type ListedPack } from './shoppingRows';
import { shortDish, shortName } from './shoppingWords';
import type { ShoppingWork } from './useShopping';

/** A kind of pack that is still to be got: ticked off, or not there. */
export function PackRow({ pack: of, work }: { readonly pack: ListedPack; readonly work: ShoppingWork }) {
  const { list, here, ticks, tick } = work;
  const { food, pack, count, price, left, dishes } = of;
  const [asked, setAsked] = useState(false);
  const other = asked ? otherPack(list, here, ticks, of) : undefined;
  const name = shortName(food.name);
  const age = daysBetween(pack.seen, list.date);
  return (
    <div className={`shop-row ${asked ? 'asked' : ''}`}>
      <button
        type="button"
        className="shop-tick"
        role="checkbox"
        aria-checked={false}
        aria-label={`${name}, in the basket`}
        onClick={() => tick(of.key, 'bought', (ticks.get(of.key)?.state === 'bought' ? (ticks.get(of.key)?.count ?? 0) : 0) + count)}
      />
      <button type="button" className="shop-what" aria-expanded={asked} onClick={() => setAsked(!asked)}>
        <span className="shop-name">
          <b>{name},</b> {count > 1 && `${count} × `}
          {sizeText(pack)}
        </span>
        {food.name !== name && <span className="shop-for">{food.name.slice(name.length + 1).trim()}</span>}
        <span className="shop-for">
          {dishes.map(shortDish).join(', ')}
          {left > 0 && (
            <>
              {dishes.length > 0 && '; '}
              <b>{gramsText(left, pack, food)} over</b>
            </>
          )}
        </span>
      </button>
      <span className="shop-price">
        {priceText(price, list.currency)}
        {age > 60 && (
          <small className="warn">
            ▲ seen {pack.seen.slice(8)}.{pack.seen.slice(5, 7)}.
          </small>
        )}
      </span>
      {asked && (
        <div className="not-there">
          {other && other.packs.length > 0 ? (
            <p>
              <b>Not there?</b>{' '}
              {other.packs.map((one) => `${one.count > 1 ? `${one.count} × ` : ''}${sizeText(one.pack)} at ${one.pack.shop}`).join(', ')}:{' '}
              {other.dearer >= 0 ? '+' : '−'}
              {priceText(Math.abs(other.dearer), list.currency)} (price of {other.packs[0]?.pack.seen})
              {other.left > 0 && `, ${gramsText(other.left, other.packs[0]?.pack, food)} over`}
            </p>
          ) : (
            <p>
              <b>Not there?</b> No other pack of it is known. Without it the list says “at least”.
            </p>
          )}
          <Button kind="main" onClick={() => tick(of.key, 'missing', 0)}>
            {other ? 'Take it' : 'Not there'}
          </Button>
          <StandIns of={of} work={work} />
        </div>
      )}
    </div>
  );
}

/** Other foods that may be put into the basket in its place: how like they are, and what that costs. */
function StandIns({ of, work: { list, here, tick } }: { readonly of: ListedPack; readonly work: ShoppingWork }) {
  const offers = standInOffers(list, here, of);
  if (offers.length === 0) return null;
  return (
    <div className="stand-ins">
      <p>
        <b>Or another food</b>, by weight. The dish is then another: its figures follow when the batch says what went in.
      </p>
      {offers.map(({ food, pack, count, dearer, named, energy }) => (
        <p key={food.id}>
          <span>
            {food.name}, {count > 1 && `${count} × `}
            {sizeText(pack)} at {pack.shop}: {dearer >= 0 ? '+' : '−'}
            {priceText(Math.abs(dearer), list.currency)}
            <small>
              {named ? 'of the kind by its name' : '▲ like it in its figures only'}
              {energy && `; ${numberText(energy[0], 0)} kcal in 100 g where it has ${numberText(energy[1], 0)}`}
            </small>
          </span>
          <Button
            onClick={() => {
              tick(of.key, 'missing', 0);
              tick(packKey(pack), 'bought', count, { instead: of.food.id });
            }}
          >
            In its place<span className="sr">, {food.name}</span>
          </Button>
        </p>
      ))}
    </div>
  );
}
