import { useRef, useState } from 'react';
import { IfMay } from '../account/IfMay';
import { Archive } from 'lucide-react';
import { agoText, dayText, packGrams, priceChange, type Food, type Kitchen, type Pack, type PriceSeries } from '@portiona/core';
import {
  useArchivePackMutation,
  useCreatePackMutation,
  useRestorePackMutation,
  useSavePackMutation,
  type SavedPackDto,
} from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { percentText } from '../../ui/numberText';
import { useToast } from '../../ui/Toasts';
import { useMovedDishes } from '../prices/useMovedDishes';
import { OfferTerms, withPromotion } from './OfferTerms';
import { unitsOf } from './packUnits';
import { Input } from '../../ui/Input';
import { Select } from '../../ui/Select';
import { Button } from '../../ui/Button';
import { ChipButton } from '../../ui/ChipButton';

/** One pack of one shop: its latest price, and how many came before. A new price is added; none is written over. */
export function PackRow({
  series,
  saved,
  food,
  kitchen,
  best,
}: {
  readonly series: PriceSeries;
  /** Every price of the series as it is saved. */
  readonly saved: readonly SavedPackDto[];
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
        await telling(() => create({ newPackDto: { document: seen } }).unwrap());
        say(`Added as the price of ${dayText(seen.seen, false)}; the one of ${dayText(latest.pack.seen, false)} stays.`);
        return;
      }
      const answer = await telling(() => save({ id: current.id, savePackDto: { revision, document: next } }).unwrap());
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
      <Input
        aria-label={`Net of ${name}`}
        inputMode="decimal"
        value={text.net}
        onChange={({ target }) => setText({ ...text, net: target.value })}
        onBlur={() => void write({ ...draft, net: Number(text.net.replace(',', '.')) })}
      />
      <Select aria-label={`Unit of ${name}`} value={draft.unit} onChange={({ target }) => void write({ ...draft, unit: target.value })}>
        {unitsOf(food).map((unit) => (
          <option key={unit}>{unit}</option>
        ))}
      </Select>
      <Input
        className="text-right"
        aria-label={`Price of ${name}`}
        data-field={best ? 'usedCost' : undefined}
        inputMode="decimal"
        value={text.price}
        onChange={({ target }) => setText({ ...text, price: target.value })}
        onBlur={() => void write({ ...draft, price: text.price.replace(',', '.') })}
      />
      <Input
        aria-label={`Shop of ${name}`}
        value={draft.shop}
        maxLength={120}
        onChange={({ target }) => setDraft({ ...draft, shop: target.value })}
        onBlur={() => void write(draft)}
      />
      <Input
        aria-label={`Day ${name} was seen`}
        type="date"
        value={draft.seen}
        onChange={({ target }) => setDraft({ ...draft, seen: target.value })}
        onBlur={() => void write(draft)}
      />
      <IfMay right="edit">
        <Button
          kind="icon"
          aria-label={`Put ${name} away`}
          hint="Put away: it counts no more, and what it cost stays known"
          onClick={() => void takeAway()}
        >
          <Archive size={14} />
        </Button>
      </IfMay>
      <span className="price-note">
        {agoText(latest.pack.seen, today)}
        {prices.length > 1 && `, ${prices.length - 1} earlier ${prices.length === 2 ? 'price' : 'prices'}${changeText(series)}`}
        <ChipButton
          tone={draft.promotion ? 'warn' : undefined}
          className="ml-2"
          aria-pressed={draft.promotion ?? false}
          onClick={() => void write(withPromotion(draft, !draft.promotion))}
        >
          {draft.promotion ? '✓ an offer' : 'an offer?'}
        </ChipButton>
        {draft.promotion && <OfferTerms of={name} pack={draft} onChange={(next) => void write(next)} />}
      </span>
    </div>
  );
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
