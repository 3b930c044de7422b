import { useMemo, useState } from 'react';
import { FoodIndex, type Batch, type BatchEdit, type Food, type Kitchen, type PaidPack } from '@portiona/core';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { NumberField } from '../../ui/NumberField';
import { Select } from '../../ui/Select';
import { numberText, priceText } from '../../ui/numberText';
import { SlipPaid } from './SlipPaid';
import { unitsOf } from '../foods/packUnits';

interface PaidPacksProps {
  readonly batch: Batch;
  readonly kitchen: Kitchen;
  readonly onEdit: (edit: BatchEdit) => void;
}

/** What was bought for a batch and what it cost, as the till's slip says: it prices what went in, whatever the packs say. */
export function PaidPacks({ batch, kitchen, onEdit }: PaidPacksProps) {
  const paid = batch.paid ?? [];
  const { currency } = kitchen.settings;
  const sum = paid.reduce((all, { price }) => all + Number(price), 0);
  return (
    <>
      <h2>What was paid{paid.length > 0 && `, ${priceText(sum, currency)}`}</h2>
      {paid.length === 0 && <p className="muted text-compact">Nothing is noted: it is priced by the packs of the pantry.</p>}
      <ul className="paid">
        {paid.map((pack, i) => (
          <li key={i}>
            {kitchen.food(pack.food)?.name ?? pack.food}, {numberText(pack.net, pack.net < 10 ? 2 : 0)} {pack.unit}, {pack.shop}{' '}
            <b className="num">{priceText(Number(pack.price), currency)}</b>{' '}
            <Button
              kind="quiet"
              aria-label={`It was not bought: ${kitchen.food(pack.food)?.name ?? pack.food}`}
              onClick={() => onEdit({ do: 'unpaid', pack })}
            >
              it was not
            </Button>
          </li>
        ))}
      </ul>
      <SlipPaid batch={batch} kitchen={kitchen} onEdit={onEdit} />
      <NewPaid batch={batch} kitchen={kitchen} onEdit={onEdit} />
    </>
  );
}

function NewPaid({ batch, kitchen, onEdit }: PaidPacksProps) {
  const [words, setWords] = useState('');
  const [food, setFood] = useState<Food>();
  const [net, setNet] = useState<number>();
  const [unit, setUnit] = useState('g');
  const [price, setPrice] = useState('');
  const [shop, setShop] = useState(batch.paid?.at(-1)?.shop ?? '');
  const index = useMemo(() => new FoodIndex(kitchen.content.foods), [kitchen]);
  const found = food || words.trim() === '' ? [] : index.find(words, 6);
  const cost = price.trim().replace(',', '.');
  const sound = food !== undefined && net !== undefined && /^\d{1,10}(?:\.\d{1,4})?$/.test(cost) && shop.trim() !== '';
  const add = () => {
    if (!sound) return;
    const pack: PaidPack = { food: food.id, net, unit, price: cost, shop: shop.trim() };
    onEdit({ do: 'paid', pack });
    setWords('');
    setFood(undefined);
    setNet(undefined);
    setPrice('');
  };
  return (
    <div className="measured-head">
      <Field label="Bought for it">
        <Input
          value={food ? food.name : words}
          onChange={({ target }) => {
            setFood(undefined);
            setWords(target.value);
          }}
        />
      </Field>
      {found.length > 0 && (
        <div className="paid-found" role="group" aria-label="Foods found">
          {found.map(({ food: one }) => (
            <Button
              key={one.id}
              kind="quiet"
              onClick={() => {
                setFood(one);
                setUnit(unitsOf(one)[0] ?? 'g');
              }}
            >
              {one.name}
            </Button>
          ))}
        </div>
      )}
      <NumberField label="Pack" amount={net} onChange={setNet} />
      <Field label="Unit">
        <Select value={unit} onChange={({ target }) => setUnit(target.value)}>
          {(food ? unitsOf(food) : ['g', 'kg', 'ml', 'l']).map((one) => (
            <option key={one}>{one}</option>
          ))}
        </Select>
      </Field>
      <Field label={`Paid, ${kitchen.settings.currency}`}>
        <Input inputMode="decimal" value={price} onChange={({ target }) => setPrice(target.value)} />
      </Field>
      <Field label="Shop">
        <Input value={shop} maxLength={120} onChange={({ target }) => setShop(target.value)} />
      </Field>
      <Button disabled={!sound} onClick={add}>
        Note it
      </Button>
    </div>
  );
}
