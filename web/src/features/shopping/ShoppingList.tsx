import { useState } from 'react';
import { priceText } from '../../ui/numberText';
import { usePrinting } from '../../ui/usePrinting';
import { useWide } from '../cook/useWide';
import { FewerShops } from './FewerShops';
import { LeftOver } from './LeftOver';
import { gramsText } from './shoppingRows';
import { ShopList } from './ShopList';
import { ShoppingWays } from './ShoppingWays';
import type { ShoppingWork } from './useShopping';

/** A shopping list: shop by shop, what cannot be bought, what comes from stock, what is left over, and the sums. */
export function ShoppingList({ work, chosen }: { readonly work: ShoppingWork; readonly chosen: readonly string[] }) {
  const { list, here, waiting, offline, refused } = work;
  const { shops, shopping, unknown, fromStock, inBasket, used } = here;
  const [shop, setShop] = useState<string>();
  const broad = useWide(1000);
  // On paper every shop is to be seen.
  const printing = usePrinting();
  const wide = broad || printing;
  const at = shops.find((one) => one.shop === shop) ?? shops[0];
  const money = (amount: number) => priceText(amount, list.currency);
  const things = shops.reduce((sum, { packs }) => sum + packs.length, 0);
  return (
    <>
      <div className="shop-sum">
        <p>
          <b>{things}</b> things{fromStock.length > 0 && `, ${fromStock.length} more from stock`}
          {shopping.atLeast && <span className="warn"> ▲ at least: some have no price or no weight</span>}
          {!shopping.exact && <span className="warn"> ▲ very many shops: the best found, perhaps not the cheapest</span>}
        </p>
        <p role="status" className={offline || waiting > 0 ? 'warn' : 'ok'}>
          {offline
            ? `▲ kept here, no connection${waiting > 0 ? `, ${waiting} to send` : ''}`
            : waiting > 0
              ? `${waiting} to send`
              : '✓ kept'}
        </p>
        {refused !== undefined && (
          <p className="bad" role="alert">
            ✕ {refused}
          </p>
        )}
        <ShoppingWays chosen={chosen} work={work} />
      </div>
      {shops.length === 0 ? (
        <p className="muted">{unknown.length === 0 ? 'All of it is in stock.' : 'Nothing that has a price is to be bought.'}</p>
      ) : wide ? null : (
        <div className="shop-tabs" role="tablist" aria-label="Shops">
          {shops.map(({ shop: name, packs }) => (
            <button
              key={name}
              type="button"
              role="tab"
              id={`shop-${name}`}
              aria-selected={at?.shop === name}
              aria-controls="shop-list"
              onClick={() => setShop(name)}
            >
              <b>{name}</b>
              <span>
                {packs.filter((pack) => pack.inBasket).length} of {packs.length}
              </span>
            </button>
          ))}
        </div>
      )}
      {wide ? (
        <div className="shop-columns">
          {shops.map(({ shop: name, packs }) => (
            <section key={name} aria-labelledby={`shop-${name}`}>
              <h2 id={`shop-${name}`} className="shop-head">
                {name}
                <small>
                  {packs.filter((pack) => pack.inBasket).length} of {packs.length},{' '}
                  {money(packs.reduce((sum, { price, putAway }) => (putAway ? sum : sum + price), 0))}
                </small>
              </h2>
              <ShopList packs={packs} work={work} />
            </section>
          ))}
        </div>
      ) : (
        at && (
          <div role="tabpanel" id="shop-list" aria-labelledby={`shop-${at.shop}`}>
            <h2 className="sr">{at.shop}</h2>
            <ShopList key={at.shop} packs={at.packs} work={work} />
          </div>
        )
      )}
      {unknown.length > 0 && (
        <section className="shop-more" aria-label="Without a price">
          <h3>▲ Without a price that counts</h3>
          <ul>
            {unknown.map((row) => (
              <li key={row.food}>
                {row.name},{' '}
                {row.buy === undefined
                  ? 'a line of it has no weight: see how much yourself'
                  : `${gramsText(row.buy, undefined, here.kitchen.food(row.food) ?? { id: row.food, name: row.name })}${row.onlyStalePrices ? '; its prices are too old' : ''}`}
              </li>
            ))}
          </ul>
        </section>
      )}
      {list.unmatched.length > 0 && (
        <section className="shop-more" aria-label="Lines without a food">
          <h3>▲ Lines that have no food</h3>
          <ul>
            {list.unmatched.map(({ recipe, at: place, text }) => (
              <li key={`${recipe}-${place}`}>“{text}”: nothing is bought for it</li>
            ))}
          </ul>
        </section>
      )}
      {fromStock.length > 0 && (
        <details className="shop-more">
          <summary>From stock: {fromStock.length} things</summary>
          <ul>
            {fromStock.map(({ name, grams }) => (
              <li key={name}>
                {name}, {gramsText(grams, undefined, { id: '', name })}
              </li>
            ))}
          </ul>
        </details>
      )}
      <LeftOver work={work} chosen={chosen} />
      <FewerShops work={work} />
      <div className="shop-ticket" aria-label="Sums">
        <p>
          <span>Still to get{wide || !at ? '' : ` at ${at.shop}`}</span>
          <b>
            {money(
              wide ? shopping.cost.toNumber() : (at?.packs ?? []).reduce((sum, { inBasket: got, price }) => (got ? sum : sum + price), 0),
            )}
          </b>
        </p>
        <p>
          <span>{shops.length === 1 ? 'In all' : `All ${shops.length} shops`}</span>
          <b>
            {shopping.atLeast && '≥ '}
            {money(shopping.cost.toNumber() + inBasket)}
          </b>
        </p>
        <p>
          <span>The dishes use</span>
          <b>{money(used)}</b>
        </p>
      </div>
    </>
  );
}
