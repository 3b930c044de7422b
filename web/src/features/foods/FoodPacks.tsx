import { useState } from 'react';
import { Trash2 } from 'lucide-react';
import { bestPack, candidatePacks, currencySign, packGrams, type Food, type Kitchen, type Pack } from '@portiona/core';
import { useCreatePackMutation, useRemovePackMutation, useSavePackMutation } from '../../api/api.gen';
import { asDocument, type Saved } from '../../api/documents';
import { problemOf, problemText } from '../../api/problem';
import { priceText } from '../../ui/numberText';
import { useToast } from '../../ui/Toasts';

/** The packs a food is bought in, what they cost, where and when that was seen. */
export function FoodPacks({
  food,
  packs,
  kitchen,
}: {
  readonly food: Food;
  readonly packs: readonly Saved<Pack>[];
  readonly kitchen: Kitchen;
}) {
  const { currency } = kitchen.settings;
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
          {best ? `counted at ${priceText(best.rate * 1000, currency)} a kg, ${best.pack.shop}` : 'no current price'}
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
        {packs.map((pack) => (
          <PackRow key={pack.id} saved={pack} food={food} best={best?.pack.id === pack.document.id} />
        ))}
        <NewPack food={food} kitchen={kitchen} first={packs.length === 0} />
      </div>
    </>
  );
}

function unitsOf(food: Food): string[] {
  return [...new Set(['g', 'kg', 'ml', 'l', 'oz', 'lb', 'piece', ...Object.keys(food.measures ?? {})])];
}

function PackRow({ saved, food, best }: { readonly saved: Saved<Pack>; readonly food: Food; readonly best: boolean }) {
  const [save] = useSavePackMutation();
  const [create] = useCreatePackMutation();
  const [remove] = useRemovePackMutation();
  const say = useToast();
  const [draft, setDraft] = useState<Pack>(saved.document);
  const [text, setText] = useState({ net: String(saved.document.net), price: String(saved.document.price) });
  const write = async (next: Pack) => {
    setDraft(next);
    if (JSON.stringify(next) === JSON.stringify(saved.document)) return;
    try {
      await save({ id: saved.id, saveDto: { revision: saved.revision, document: asDocument(next) } }).unwrap();
    } catch (error) {
      say(problemText(problemOf(error)));
    }
  };
  const takeOut = async () => {
    try {
      await remove({ id: saved.id }).unwrap();
      say('The pack is taken out.', { label: 'Undo', run: () => void create({ newDto: { document: asDocument(saved.document) } }) });
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
      <button className="icon" aria-label={`Take out ${name}`} title="Take out" onClick={() => void takeOut()}>
        <Trash2 size={14} />
      </button>
    </div>
  );
}

function NewPack({ food, kitchen, first }: { readonly food: Food; readonly kitchen: Kitchen; readonly first: boolean }) {
  const [create] = useCreatePackMutation();
  const say = useToast();
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
      await create({ newDto: { document: asDocument(pack) } }).unwrap();
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
