import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { Check } from 'lucide-react';
import { daysBetween, shopsCompared } from '@portiona/core';
import { useAddPricesMutation, useListSessionsQuery, usePutBasketAwayMutation, useUsesUpLeftQuery } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { Button } from '../../ui/Button';
import { Input } from '../../ui/Input';
import { dayOf } from '../../ui/timeText';
import { priceText } from '../../ui/numberText';
import { useToast } from '../../ui/Toasts';
import { UnreadPage } from '../../ui/UnreadPage';
import { useWide } from '../cook/useWide';
import { PlanHead } from '../plan/PlanHead';
import { dayTitle } from '../plan/planWords';
import { gramsText, otherPack, sizeText, type ListedPack } from './shoppingRows';
import { useShopping, type ShoppingWork } from './useShopping';
import './shopping.css';

/** What to buy for sessions, shop by shop: ticked off in the shop, with or without a connection. */
export function ShoppingPage() {
  const [search, setSearch] = useSearchParams();
  const listed = useListSessionsQuery(undefined, { refetchOnMountOrArgChange: true });
  const [today] = useState(() => dayOf(new Date()));
  const all = listed.data ?? [];
  const asked = search.get('sessions')?.split(',').filter(Boolean);
  const coming = all.filter(({ document }) => document.date >= today);
  const chosen = asked ?? (coming.length > 0 ? coming : all.slice(-1)).map(({ id }) => id);
  const { work, trouble, reload } = useShopping(chosen);
  const toggle = (id: string) => {
    const next = chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id];
    setSearch({ sessions: next.join(',') }, { replace: true });
  };
  const titles = all.filter(({ id }) => chosen.includes(id));
  return (
    <main className="plan-page">
      <PlanHead
        session={chosen.length === 1 ? chosen[0] : undefined}
        over={
          titles.length === 0
            ? 'for no session yet'
            : `for ${titles.map(({ document }) => `${document.name ?? 'Session'}, ${dayTitle(document.date)}`).join('; ')}`
        }
        title="Shopping list"
      />
      <section className="bench shopping" aria-label="Shopping">
        {all.length > 1 && (
          <div className="shop-sessions" role="group" aria-label="Sessions that are shopped for">
            {all.map(({ id, document }) => (
              <button key={id} type="button" className="shop-session" aria-pressed={chosen.includes(id)} onClick={() => toggle(id)}>
                {chosen.includes(id) ? '✓ ' : ''}
                {document.name ?? 'Session'}, {document.date.slice(8)}.{document.date.slice(5, 7)}.
              </button>
            ))}
          </div>
        )}
        {trouble !== undefined && <UnreadPage why={trouble} onRetry={reload} />}
        {chosen.length === 0 && listed.data && (
          <div className="empty">
            <h2>Nothing to buy yet</h2>
            <p className="muted">A list is made of what sessions need, less what is in stock. Plan a session, or choose one.</p>
          </div>
        )}
        {work && chosen.length > 0 && <List key={chosen.join(',')} work={work} chosen={chosen} />}
      </section>
    </main>
  );
}

function List({ work, chosen }: { readonly work: ShoppingWork; readonly chosen: readonly string[] }) {
  const { list, here, waiting, offline, refused } = work;
  const { shops, shopping, unknown, fromStock, inBasket, used } = here;
  const [shop, setShop] = useState<string>();
  const wide = useWide(1000);
  const at = shops.find((one) => one.shop === shop) ?? shops[0];
  const money = (amount: number) => priceText(amount, list.currency);
  const things = shops.reduce((sum, { packs }) => sum + packs.length, 0);
  return (
    <>
      <div className="shop-sum">
        <p>
          <b>{things}</b> things{fromStock.length > 0 && `, ${fromStock.length} more from stock`}
          {shopping.atLeast && <span className="warn"> ▲ at least: some have no price or no weight</span>}
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
        <Ways chosen={chosen} work={work} />
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
      <Compared work={work} />
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

function ShopList({ packs, work }: { readonly packs: readonly ListedPack[]; readonly work: ShoppingWork }) {
  const open = packs.filter(({ inBasket }) => !inBasket);
  const got = packs.filter(({ inBasket }) => inBasket);
  const aisles = [...new Set(open.map(({ food }) => food.aisle ?? 'other'))];
  const money = (amount: number) => priceText(amount, work.list.currency);
  return (
    <div className="shop-list">
      {got.length > 0 && (
        <details className="in-basket">
          <summary>
            <span className="shop-tick got" aria-hidden>
              <Check size={16} />
            </span>
            <span>{got.map(({ food }) => shortName(food.name)).join(', ')}</span>
            <b>{money(got.reduce((sum, { price }) => sum + price, 0))}</b>
          </summary>
          {got.map((pack) => (
            <GotRow key={`${pack.key}-got`} pack={pack} work={work} />
          ))}
        </details>
      )}
      {aisles.map((aisle) => (
        <section key={aisle} aria-label={aisle}>
          <h3 className="aisle">{aisleText(aisle)}</h3>
          {open
            .filter(({ food }) => (food.aisle ?? 'other') === aisle)
            .map((pack) => (
              <PackRow key={pack.key} pack={pack} work={work} />
            ))}
        </section>
      ))}
      {open.length === 0 && <p className="ok all-got">✓ All of it is in the basket.</p>}
    </div>
  );
}

function PackRow({ pack: of, work }: { readonly pack: ListedPack; readonly work: ShoppingWork }) {
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
              <b>Not there?</b> No other pack of it is known. Without it the list says “at least”; another food is taken in the recipe.
            </p>
          )}
          <Button kind="main" onClick={() => tick(of.key, 'missing', 0)}>
            {other ? 'Take it' : 'Not there'}
          </Button>
        </div>
      )}
    </div>
  );
}

function GotRow({
  pack: { key, food, pack, count, paid, putAway },
  work: { list, tick },
}: {
  readonly pack: ListedPack;
  readonly work: ShoppingWork;
}) {
  const [text, setText] = useState(paid ?? '');
  const name = shortName(food.name);
  const sound = text === '' || /^\d{1,10}([.,]\d{1,4})?$/.test(text);
  return (
    <div className="shop-row got">
      <button
        type="button"
        className="shop-tick got"
        role="checkbox"
        aria-checked
        aria-label={`${name}, in the basket`}
        disabled={putAway}
        onClick={() => tick(key, 'open', 0)}
      >
        <Check size={16} aria-hidden />
      </button>
      <span className="shop-what">
        <span className="shop-name">
          <b>{name},</b> {count > 1 && `${count} × `}
          {sizeText(pack)}
        </span>
        {putAway && <span className="shop-for">in stock</span>}
      </span>
      <label className="shop-paid">
        <span className="sr">One of {name} cost, at the till</span>
        <Input
          inputMode="decimal"
          value={text}
          placeholder={String(pack.price)}
          aria-invalid={!sound}
          disabled={putAway}
          onChange={({ target }) => setText(target.value)}
          onBlur={() => sound && text !== (paid ?? '') && tick(key, 'bought', count, text === '' ? undefined : text.replace(',', '.'))}
        />
        <small>{list.currency} each</small>
      </label>
    </div>
  );
}

/** Sheets, prices noted back, and the basket put into stock. */
function Ways({ chosen, work }: { readonly chosen: readonly string[]; readonly work: ShoppingWork }) {
  const { here, waiting, list, reload } = work;
  const [putAway, putting] = usePutBasketAwayMutation();
  const [addPrices, adding] = useAddPricesMutation();
  const say = useToast();
  const sessions = encodeURIComponent(chosen.join(','));
  const got = here.shops.flatMap(({ packs }) => packs.filter((pack) => pack.inBasket && !pack.putAway));
  const paid = got.filter((one) => one.paid !== undefined && Number(one.paid) !== Number(one.pack.price));
  const [today] = useState(() => dayOf(new Date()));
  return (
    <span className="shop-ways">
      {paid.length > 0 && (
        <Button
          disabled={adding.isLoading}
          onClick={() =>
            void addPrices({
              seenPricesDto: {
                prices: paid.map(({ pack, paid: price = '' }) => ({
                  document: {
                    food: pack.food,
                    net: pack.net,
                    unit: pack.unit,
                    price,
                    currency: list.currency,
                    shop: pack.shop,
                    seen: today,
                  },
                })),
              },
            })
              .unwrap()
              .then(() => say(`${paid.length === 1 ? 'One price' : `${paid.length} prices`} noted, seen ${today}.`))
              .catch((failed: unknown) => say(`No price was noted: ${problemText(problemOf(failed))}`))
          }
        >
          Note {paid.length === 1 ? 'what one cost' : `${paid.length} prices`}
        </Button>
      )}
      {got.length > 0 && (
        <Button
          disabled={putting.isLoading || waiting > 0}
          onClick={() =>
            void putAway({ sessions: chosen.join(',') })
              .unwrap()
              .then(({ added }) => {
                say(added === 1 ? 'One thing is in stock now.' : `${added} things are in stock now.`);
                reload();
              })
              .catch((failed: unknown) => say(`Nothing was put into stock: ${problemText(problemOf(failed))}`))
          }
        >
          Basket into stock
        </Button>
      )}
      <Button asChild kind="quiet">
        <a href={`/api/exports/shopping.txt?sessions=${sessions}`} download>
          Text
        </a>
      </Button>
      <Button asChild kind="quiet">
        <a href={`/api/exports/shopping.pdf?sessions=${sessions}`} download>
          PDF
        </a>
      </Button>
      <Button asChild kind="quiet">
        <a href={`/api/exports/shopping.csv?sessions=${sessions}`} download>
          CSV
        </a>
      </Button>
      <Button kind="quiet" onClick={() => window.print()}>
        Print
      </Button>
    </span>
  );
}

/** What is left over, what it is worth, and which dishes would use it up. */
function LeftOver({ work: { here, list }, chosen }: { readonly work: ShoppingWork; readonly chosen: readonly string[] }) {
  const [open, setOpen] = useState(false);
  const { data, error } = useUsesUpLeftQuery({ sessions: chosen.join(',') }, { skip: !open, refetchOnMountOrArgChange: true });
  const { leftWorth } = here.shopping;
  if (leftWorth <= 0) return null;
  return (
    <details className="shop-more" onToggle={({ currentTarget }) => setOpen(currentTarget.open)}>
      <summary>Left over, worth {priceText(leftWorth, list.currency)}</summary>
      {error !== undefined && <p className="muted">Which dishes would use it up cannot be had just now.</p>}
      {data?.length === 0 && <p className="muted">No other dish takes any of it.</p>}
      <ul>
        {(data ?? []).map(({ recipe, title, worth, foods }) => (
          <li key={recipe}>
            <Link className="dish" to={`/recipes/${recipe}/build`}>
              {title}
            </Link>{' '}
            takes {priceText(worth, list.currency)} of it:{' '}
            {foods.map(({ name, takes, all }) => `${shortName(name)}, ${all ? 'all' : `${Math.round(takes)} g`}`).join('; ')}
          </li>
        ))}
      </ul>
    </details>
  );
}

/** What one shop only would cost, and what each further one saves. */
function Compared({ work: { here, list } }: { readonly work: ShoppingWork }) {
  const [open, setOpen] = useState(false);
  const compared = open ? shopsCompared(here.shopping) : undefined;
  const money = (amount: number) => priceText(amount, list.currency);
  return (
    <details className="shop-more" onToggle={({ currentTarget }) => setOpen(currentTarget.open)}>
      <summary>In fewer shops</summary>
      {compared && (
        <div className="shops-compared">
          <table>
            <caption>The best of so many</caption>
            <tbody>
              {compared.upTo.map(({ shops, cost, missing }, i) => {
                const before = compared.upTo[i - 1];
                return (
                  <tr key={shops.join()}>
                    <th scope="row">{shops.join(', ')}</th>
                    <td className="num">{money(cost.toNumber())}</td>
                    <td>
                      {missing.length > 0 && <span className="warn">▲ lacks {missing.length}</span>}
                      {before && missing.length === before.missing.length && `saves ${money(before.cost.minus(cost).toNumber())}`}
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
          <table>
            <caption>At one only</caption>
            <tbody>
              {compared.alone.map(({ shops, cost, missing }) => (
                <tr key={shops.join()}>
                  <th scope="row">{shops.join()}</th>
                  <td className="num">{money(cost.toNumber())}</td>
                  <td>{missing.length > 0 && <span className="warn">▲ lacks {missing.length}</span>}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </details>
  );
}

/** An aisle as it is said: "Grains, pasta, bread". */
function aisleText(aisle: string): string {
  const words = aisle.replaceAll('-', ', ');
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** A food by what it is called in a shop: as far as its first comma. */
function shortName(name: string): string {
  return name.split(',')[0] ?? name;
}

/** A dish in a word or two. */
function shortDish(title: string): string {
  return (title.split(',')[0] ?? title)
    .split(' ')
    .slice(0, 3)
    .join(' ')
    .replace(/ (?:and|with|of|in|a|the)$/, '');
}
