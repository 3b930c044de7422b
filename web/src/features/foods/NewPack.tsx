import { useState } from 'react';
import type { Food, Kitchen, Pack } from '@portiona/core';
import { useCreatePackMutation } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { useToast } from '../../ui/Toasts';
import { useMovedDishes } from '../prices/useMovedDishes';
import { unitsOf } from './packUnits';
import { Input } from '../../ui/Input';
import { Select } from '../../ui/Select';
import { Button } from '../../ui/Button';

/** A pack to be added to a food's. */
export function NewPack({ food, kitchen, first }: { readonly food: Food; readonly kitchen: Kitchen; readonly first: boolean }) {
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
      await telling(() => create({ newPackDto: { document: pack } }).unwrap());
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
      <Input
        aria-label="Net of a new pack"
        data-field={first ? 'usedCost' : undefined}
        inputMode="decimal"
        placeholder="500"
        value={draft.net}
        onChange={({ target }) => setDraft({ ...draft, net: target.value })}
      />
      <Select aria-label="Unit of a new pack" value={draft.unit} onChange={({ target }) => setDraft({ ...draft, unit: target.value })}>
        {unitsOf(food).map((unit) => (
          <option key={unit}>{unit}</option>
        ))}
      </Select>
      <Input
        className="text-right"
        aria-label="Price of a new pack"
        inputMode="decimal"
        placeholder="1.45"
        value={draft.price}
        onChange={({ target }) => setDraft({ ...draft, price: target.value })}
      />
      <Input
        aria-label="Shop of a new pack"
        placeholder="shop"
        maxLength={120}
        value={draft.shop}
        onChange={({ target }) => setDraft({ ...draft, shop: target.value })}
      />
      <Input
        aria-label="Day a new pack was seen"
        type="date"
        value={draft.seen}
        onChange={({ target }) => setDraft({ ...draft, seen: target.value })}
      />
      <Button kind="quiet" disabled={!ready} aria-label="Add the pack" hint="Add the pack">
        +
      </Button>
    </form>
  );
}
