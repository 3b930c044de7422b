import { useMemo, useRef, useState } from 'react';
import { Archive } from 'lucide-react';
import {
  agoText,
  bestPack,
  candidatePacks,
  currencySign,
  dayText,
  packGrams,
  priceChange,
  priceHistory,
  type Food,
  type Kitchen,
  type Pack,
  type PriceSeries,
} from '@portiona/core';
import { useCreatePackMutation, useArchivePackMutation, useRestorePackMutation, useSavePackMutation } from '../../api/api.gen';
import { asDocument, type Saved } from '../../api/documents';
import { problemOf, problemText } from '../../api/problem';
import { percentText, priceText } from '../../ui/numberText';
import { useToast } from '../../ui/Toasts';
import { useMovedDishes } from '../prices/useMovedDishes';
import { PriceChart } from './PriceChart';

/** The packs a food is bought in, what they cost, where and when that was seen. */
export function FoodPacks({
  food,
  packs,
  away,
  kitchen,
}: {
  readonly food: Food;
  /** Every price it ever had, but for those put away. */
  readonly packs: readonly Saved<Pack>[];
  readonly away: readonly Saved<Pack>[];
  readonly kitchen: Kitchen;
}) {
  const { currency } = kitchen.settings;
  const history = useMemo(
    () =>
      priceHistory(
        food,
        packs.map(({ document }) => document),
      ).filter((series) => series.currency === currency),
    [food, packs, currency],
  );
  const savedOf = ({ prices }: PriceSeries) => packs.filter(({ document }) => prices.some(({ pack }) => pack.id === document.id));
  const best = bestPack(
    candidatePacks(
      food,
      packs.map(({ document }) => document),
      kitchen.settings,
    ),
  );
  return (
    <>
      <h2>
        <span>Packs and prices</span>
        <span className="font-normal faint">
          {best ? `counted at ${priceText(best.perKg, currency)} a kg, ${best.pack.shop}` : 'no current price'}
        </span>
      </h2>
      <div className="packs">
        <div className="pack text-[11.5px] faint" aria-hidden>
          <span>net</span>
          <span>unit</span>
          <span>{currencySign(currency)}</span>
          <span>shop</span>
          <span>seen</span>
          <span />
        </div>
        {history.map((series) => (
          <PackRow
            key={`${series.shop} ${series.net} ${series.unit} ${series.latest.pack.id ?? ''} ${series.latest.pack.price}`}
            series={series}
            saved={savedOf(series)}
            food={food}
            kitchen={kitchen}
            best={best?.pack.id === series.latest.pack.id}
          />
        ))}
        <NewPack food={food} kitchen={kitchen} first={packs.length === 0} />
      </div>
      {history.some(({ prices }) => prices.length > 1) && (
        <PriceChart history={history} currency={currency} today={kitchen.settings.date} />
      )}
      {away.length > 0 && <PutAway food={food} away={away} />}
    </>
  );
}

/** Packs that were put away: they count no more, and are taken out again. */
function PutAway({ food, away }: { readonly food: Food; readonly away: readonly Saved<Pack>[] }) {
  const [restore] = useRestorePackMutation();
  const say = useToast();
  const documents = away.map(({ document }) => document);
  const takeOut = async ({ prices }: PriceSeries) => {
    try {
      for (const { pack } of prices) if (pack.id !== undefined) await restore({ id: pack.id }).unwrap();
    } catch (error) {
      say(problemText(problemOf(error)));
    }
  };
  return (
    <details className="text-[13px] mt-2">
      <summary className="muted">Put away, {priceHistory(food, documents).length}</summary>
      <ul>
        {priceHistory(food, documents).map((series) => {
          const { net, unit, shop, currency, prices, latest } = series;
          return (
            <li key={`${shop} ${net} ${unit} ${currency}`} className="flex gap-3 items-baseline py-1">
              <span className="flex-1">
                {net} {unit} at {shop}, {priceText(latest.price, currency)} on {dayText(latest.pack.seen, true)}
                {prices.length > 1 && ` and ${prices.length - 1} before`}
              </span>
              <button className="btn-quiet" aria-label={`Take out ${net} ${unit} at ${shop}`} onClick={() => void takeOut(series)}>
                Take out
              </button>
            </li>
          );
        })}
      </ul>
    </details>
  );
}

function unitsOf(food: Food): string[] {
  return [...new Set(['g', 'kg', 'ml', 'l', 'oz', 'lb', 'piece', ...Object.keys(food.measures ?? {})])];
}

/** One pack of one shop: its latest price, and how many came before. A new price is added; none is written over. */
function PackRow({
  series,
  saved,
  food,
  kitchen,
  best,
}: {
  readonly series: PriceSeries;
  /** Every price of the series as it is saved. */
  readonly saved: readonly Saved<Pack>[];
  readonly food: Food;
  readonly kitchen: Kitchen;
  readonly best: boolean;
}) {
  const [save] = useSavePackMutation();
  const [create] = useCreatePackMutation();
  const [putAway] = useArchivePackMutation();
  const [restore] = useRestorePackMutation();
  const say = useToast();
  const telling = useMovedDishes(kitchen.settings.currency);
  const { latest, prices } = series;
  const today = kitchen.settings.date;
  const [draft, setDraft] = useState<Pack>(latest.pack);
  const [text, setText] = useState({ net: String(latest.pack.net), price: String(latest.pack.price) });
  // One after another, each on what the one before has saved: two changes in a row are both kept.
  const queue = useRef<Promise<void>>(Promise.resolve());
  const written = useRef<{ readonly revision: number; readonly document: Pack }>(undefined);
  const write = (next: Pack): Promise<void> => {
    setDraft(next);
    queue.current = queue.current.then(() => writeNow(next));
    return queue.current;
  };
  const writeNow = async (next: Pack) => {
    const current = saved.find(({ id }) => id === latest.pack.id);
    if (!current) return;
    const { revision, document } =
      written.current && written.current.revision > current.revision
        ? written.current
        : { revision: current.revision, document: latest.pack };
    if (JSON.stringify(next) === JSON.stringify(document)) return;
    try {
      // Another price on another day is another entry: what it cost before stays.
      if (Number(next.price) !== Number(latest.pack.price) && latest.pack.seen < today) {
        // An offer was of the price before.
        const { id: _, ...seen } = { ...withPromotion(next, false), seen: next.seen === latest.pack.seen ? today : next.seen };
        await telling(() => create({ newDto: { document: asDocument(seen) } }).unwrap());
        say(`Added as the price of ${dayText(seen.seen, false)}; the one of ${dayText(latest.pack.seen, false)} stays.`);
        return;
      }
      const answer = await telling(() => save({ id: current.id, saveDto: { revision, document: asDocument(next) } }).unwrap());
      written.current = { revision: answer.revision, document: next };
    } catch (error) {
      say(problemText(problemOf(error)));
    }
  };
  const takeAway = async () => {
    try {
      await telling(async () => {
        for (const { id } of saved) await putAway({ id }).unwrap();
      });
      say(saved.length === 1 ? 'The pack is put away.' : `The pack and its ${saved.length} prices are put away.`, {
        label: 'Undo',
        run: () => saved.forEach(({ id }) => void restore({ id })),
      });
    } catch (error) {
      say(problemText(problemOf(error)));
    }
  };
  const name = `${draft.net} ${draft.unit} at ${draft.shop}`;
  return (
    <div
      className={`pack ${best ? 'font-semibold' : ''}`}
      title={packGrams(draft, food) === undefined ? 'Nobody knows what this pack weighs' : best ? 'The price that counts' : undefined}
    >
      <input
        className="field"
        aria-label={`Net of ${name}`}
        inputMode="decimal"
        value={text.net}
        onChange={({ target }) => setText({ ...text, net: target.value })}
        onBlur={() => void write({ ...draft, net: Number(text.net.replace(',', '.')) })}
      />
      <select
        className="field"
        aria-label={`Unit of ${name}`}
        value={draft.unit}
        onChange={({ target }) => void write({ ...draft, unit: target.value })}
      >
        {unitsOf(food).map((unit) => (
          <option key={unit}>{unit}</option>
        ))}
      </select>
      <input
        className="field text-right"
        aria-label={`Price of ${name}`}
        data-field={best ? 'usedCost' : undefined}
        inputMode="decimal"
        value={text.price}
        onChange={({ target }) => setText({ ...text, price: target.value })}
        onBlur={() => void write({ ...draft, price: text.price.replace(',', '.') })}
      />
      <input
        className="field"
        aria-label={`Shop of ${name}`}
        value={draft.shop}
        maxLength={120}
        onChange={({ target }) => setDraft({ ...draft, shop: target.value })}
        onBlur={() => void write(draft)}
      />
      <input
        className="field"
        aria-label={`Day ${name} was seen`}
        type="date"
        value={draft.seen}
        onChange={({ target }) => setDraft({ ...draft, seen: target.value })}
        onBlur={() => void write(draft)}
      />
      <button
        className="icon"
        aria-label={`Put ${name} away`}
        title="Put away: it counts no more, and what it cost stays known"
        onClick={() => void takeAway()}
      >
        <Archive size={14} />
      </button>
      <span className="price-note">
        {agoText(latest.pack.seen, today)}
        {prices.length > 1 && `, ${prices.length - 1} earlier ${prices.length === 2 ? 'price' : 'prices'}${changeText(series)}`}
        <button
          className={`chip ml-2 ${draft.promotion ? 'warn' : ''}`}
          aria-pressed={draft.promotion ?? false}
          onClick={() => void write(withPromotion(draft, !draft.promotion))}
        >
          {draft.promotion ? '✓ an offer' : 'an offer?'}
        </button>
        {draft.promotion && <OfferTerms of={name} pack={draft} onChange={(next) => void write(next)} />}
      </span>
    </div>
  );
}

/** Until when an offer is, and what it costs otherwise: after its end that counts, or what was seen before. */
function OfferTerms({ of, pack, onChange }: { readonly of: string; readonly pack: Pack; readonly onChange: (pack: Pack) => void }) {
  const [usual, setUsual] = useState(String(pack.usual ?? ''));
  const written = usual.trim().replace(',', '.');
  const { usual: _, until: _u, ...rest } = pack;
  const ended = pack.until === undefined ? {} : { until: pack.until };
  return (
    <span className="flex gap-2 items-center mt-1">
      <label className="flex gap-1 items-center">
        until
        <input
          className="field"
          type="date"
          aria-label={`Last day of the offer of ${of}`}
          value={pack.until ?? ''}
          onChange={({ target }) =>
            onChange({
              ...rest,
              ...(pack.usual === undefined ? {} : { usual: pack.usual }),
              ...(target.value === '' ? {} : { until: target.value }),
            })
          }
        />
      </label>
      <label className="flex gap-1 items-center">
        usually
        <input
          className="field w-[70px] text-right"
          inputMode="decimal"
          aria-label={`Usual price of ${of}`}
          value={usual}
          onChange={({ target }) => setUsual(target.value)}
          onBlur={() => {
            if (written === '') onChange({ ...rest, ...ended });
            else if (/^\d+(\.\d+)?$/.test(written)) onChange({ ...rest, ...ended, usual: written });
            else setUsual(String(pack.usual ?? ''));
          }}
        />
      </label>
      {pack.until === undefined && <span className="warn">nobody knows until when</span>}
    </span>
  );
}

function withPromotion({ promotion: _, usual: _usual, until: _until, ...pack }: Pack, promotion: boolean): Pack {
  return promotion ? { ...pack, promotion } : pack;
}

/** How the price moved since the first one seen. */
function changeText(series: PriceSeries): string {
  const change = priceChange(series);
  if (change === undefined) return '';
  const percent = percentText(Math.abs(change));
  return percent === '0 %'
    ? ', as at first'
    : `, ${change > 0 ? '+' : '−'}${percent} since ${dayText(series.prices[0]?.pack.seen ?? '', false)}`;
}

function NewPack({ food, kitchen, first }: { readonly food: Food; readonly kitchen: Kitchen; readonly first: boolean }) {
  const [create] = useCreatePackMutation();
  const say = useToast();
  const telling = useMovedDishes(kitchen.settings.currency);
  const empty = { net: '', unit: 'g', price: '', shop: '', seen: kitchen.settings.date };
  const [draft, setDraft] = useState(empty);
  const net = Number(draft.net.replace(',', '.'));
  const ready = Number.isFinite(net) && net > 0 && /^\d+([.,]\d+)?$/.test(draft.price.trim()) && draft.shop.trim() !== '';
  const add = async () => {
    if (!ready) return;
    const pack: Pack = {
      food: food.id,
      net,
      unit: draft.unit,
      price: draft.price.trim().replace(',', '.'),
      currency: kitchen.settings.currency,
      shop: draft.shop.trim(),
      seen: draft.seen,
    };
    try {
      await telling(() => create({ newDto: { document: asDocument(pack) } }).unwrap());
      setDraft({ ...empty, shop: draft.shop });
    } catch (error) {
      say(problemText(problemOf(error)));
    }
  };
  return (
    <form
      className="pack"
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
    >
      <input
        className="field"
        aria-label="Net of a new pack"
        data-field={first ? 'usedCost' : undefined}
        inputMode="decimal"
        placeholder="500"
        value={draft.net}
        onChange={({ target }) => setDraft({ ...draft, net: target.value })}
      />
      <select
        className="field"
        aria-label="Unit of a new pack"
        value={draft.unit}
        onChange={({ target }) => setDraft({ ...draft, unit: target.value })}
      >
        {unitsOf(food).map((unit) => (
          <option key={unit}>{unit}</option>
        ))}
      </select>
      <input
        className="field text-right"
        aria-label="Price of a new pack"
        inputMode="decimal"
        placeholder="1.45"
        value={draft.price}
        onChange={({ target }) => setDraft({ ...draft, price: target.value })}
      />
      <input
        className="field"
        aria-label="Shop of a new pack"
        placeholder="shop"
        maxLength={120}
        value={draft.shop}
        onChange={({ target }) => setDraft({ ...draft, shop: target.value })}
      />
      <input
        className="field"
        aria-label="Day a new pack was seen"
        type="date"
        value={draft.seen}
        onChange={({ target }) => setDraft({ ...draft, seen: target.value })}
      />
      <button className="btn-quiet" disabled={!ready} aria-label="Add the pack" title="Add the pack">
        +
      </button>
    </form>
  );
}
