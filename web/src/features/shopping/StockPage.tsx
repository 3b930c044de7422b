import { useState } from 'react';
import { useMay } from '../account/useMe';
import { OnlyLooking } from '../account/OnlyLooking';
import { IfMay } from '../account/IfMay';
import { dayText, daysBetween, type Food, type StockItem } from '@portiona/core';
import {
  useAddStockMutation,
  useListStockQuery,
  useRemoveStockMutation,
  useSaveStockMutation,
  type SavedStockDto,
} from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { Select } from '../../ui/Select';
import { dayOf } from '../../ui/timeText';
import { useToast } from '../../ui/Toasts';
import { UnreadPage } from '../../ui/UnreadPage';
import { useKitchen } from '../kitchen/useKitchen';
import { foundFoods } from '../foods/foundFoods';
import { PlanHead } from '../plan/PlanHead';
import { UsingUp } from './UsingUp';
import './shopping.css';

/** Days before its day from which something is to be used first. */
const SOON = 4;
const PLACES = ['fridge', 'freezer', 'cupboard', 'cellar'];

/** What is in the house: by place, what is to be used first, first. */
export function StockPage() {
  const [today] = useState(() => dayOf(new Date()));
  const { data, error, refetch } = useListStockQuery(undefined, { refetchOnMountOrArgChange: true });
  const here = useKitchen();
  if (error) return <UnreadPage why={problemText(problemOf(error))} onRetry={() => void refetch()} />;
  if (!data) return <main className="page" aria-busy="true" />;
  const foods = new Map((data.foods as readonly Food[]).map((food) => [food.id, food]));
  const soon = data.items.filter(({ document: { bestBefore } }) => bestBefore !== undefined && daysBetween(today, bestBefore) <= SOON);
  const places = [...new Set(data.items.map(({ document }) => document.place ?? ''))].sort();
  return (
    <main className="plan-page">
      <PlanHead over={data.items.length === 0 ? 'nothing noted' : `${data.items.length} things`} title="In stock" />
      <section className="bench shopping" aria-label="Stock">
        <OnlyLooking what="list" />
        <IfMay right="edit">
          <AddStock />
        </IfMay>
        {soon.length > 0 && (
          <section className="stock-place soon" aria-label="Use first">
            <h2>▲ Use first</h2>
            {soon.map((item) => (
              <StockRow key={`${item.id}-${item.revision}`} item={item} food={foods.get(item.document.food)} today={today} />
            ))}
          </section>
        )}
        {places.map((place) => (
          <section className="stock-place" key={place} aria-label={place === '' ? 'No place said' : place}>
            <h2>{place === '' ? 'No place said' : place.charAt(0).toUpperCase() + place.slice(1)}</h2>
            {data.items
              .filter((item) => (item.document.place ?? '') === place && !soon.includes(item))
              .map((item) => (
                <StockRow key={`${item.id}-${item.revision}`} item={item} food={foods.get(item.document.food)} today={today} />
              ))}
          </section>
        ))}
        {data.items.length > 0 && (
          <UsingUp sessions="" currency={here?.kitchen.settings.currency ?? 'EUR'} summary="Dishes that use it up, what spoils first" />
        )}
        {data.items.length === 0 && (
          <div className="empty">
            <h2>Nothing is noted yet</h2>
            <p className="muted">What is in the house is not bought again. Note it here, or put a basket into stock after shopping.</p>
          </div>
        )}
      </section>
    </main>
  );
}

function StockRow({
  item: { id, revision, document },
  food,
  today,
}: {
  readonly item: SavedStockDto;
  readonly food: Food | undefined;
  readonly today: string;
}) {
  const item = document as StockItem;
  const [save] = useSaveStockMutation();
  const [remove] = useRemoveStockMutation();
  const [add] = useAddStockMutation();
  const edits = useMay('edit');
  const [amount, setAmount] = useState(String(item.amount));
  const say = useToast();
  const days = item.bestBefore === undefined ? undefined : daysBetween(today, item.bestBefore);
  const name = food?.name ?? item.food;
  const write = (next: StockItem) =>
    void save({ id, saveStockDto: { revision, document: next } })
      .unwrap()
      .catch((failed: unknown) => {
        setAmount(String(item.amount));
        say(`Nothing was changed: ${problemText(problemOf(failed))}`);
      });
  const count = Number(amount.replace(',', '.'));
  const sound = amount.trim() !== '' && Number.isFinite(count) && count >= 0 && count <= 1e6;
  return (
    <div className="stock-row">
      <span className="shop-name">
        <b>{name}</b>
      </span>
      <span className="stock-amount">
        {edits ? (
          <Input
            inputMode="decimal"
            value={amount}
            aria-label={`How much ${name} there is`}
            aria-invalid={!sound}
            onChange={({ target }) => setAmount(target.value)}
            onBlur={() => sound && count !== item.amount && write({ ...item, amount: count })}
            onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
          />
        ) : (
          <b>{item.amount}</b>
        )}{' '}
        {item.unit}
      </span>
      <label className={`stock-day ${days !== undefined && days <= SOON ? 'warn' : ''}`}>
        <span className="sr">Best before of {name}</span>
        {edits ? (
          <Input
            type="date"
            value={item.bestBefore ?? ''}
            onChange={({ target }) => {
              const { bestBefore: _, ...rest } = item;
              write(target.value === '' ? rest : { ...rest, bestBefore: target.value });
            }}
          />
        ) : (
          <span>{item.bestBefore ? dayText(item.bestBefore, true) : ''}</span>
        )}
        {days !== undefined && (
          <small>
            {days < 0 ? '✕ past its day' : days === 0 ? '▲ today' : days <= SOON ? `▲ ${days === 1 ? 'tomorrow' : `in ${days} days`}` : ''}
          </small>
        )}
      </label>
      <IfMay right="edit">
        <Button
          kind="quiet"
          aria-label={`${name} is gone`}
          onClick={() =>
            void remove({ id })
              .unwrap()
              .then(() => say(`${name} is taken out of stock.`, { label: 'Undo', run: () => void add({ newStockDto: { items: [item] } }) }))
              .catch((failed: unknown) => say(`Nothing was changed: ${problemText(problemOf(failed))}`))
          }
        >
          Gone
        </Button>
      </IfMay>
    </div>
  );
}

/** Notes something that is there: a food, how much, where, until when. */
function AddStock() {
  const here = useKitchen();
  const [words, setWords] = useState('');
  const [food, setFood] = useState<Food>();
  const [amount, setAmount] = useState('');
  const [unit, setUnit] = useState('g');
  const [place, setPlace] = useState('cupboard');
  const [day, setDay] = useState('');
  const [add, { isLoading }] = useAddStockMutation();
  const say = useToast();
  const found = words.trim() === '' || food ? [] : foundFoods(here?.foods ?? [], here?.index, words).slice(0, 8);
  const count = Number(amount.replace(',', '.'));
  const sound = food !== undefined && amount.trim() !== '' && Number.isFinite(count) && count > 0 && count <= 1e6;
  const units = ['g', 'kg', 'ml', 'l', ...Object.keys(food?.measures ?? {})];
  return (
    <form
      className="add-stock"
      aria-label="Note something that is there"
      onSubmit={(event) => {
        event.preventDefault();
        if (!sound) return;
        const item: StockItem = {
          food: food.id,
          amount: count,
          unit,
          ...(place === '' ? {} : { place }),
          ...(day === '' ? {} : { bestBefore: day }),
        };
        void add({ newStockDto: { items: [item] } })
          .unwrap()
          .then(() => {
            setWords('');
            setFood(undefined);
            setAmount('');
            setDay('');
          })
          .catch((failed: unknown) => say(`Nothing was noted: ${problemText(problemOf(failed))}`));
      }}
    >
      <div className="stock-food">
        <Field label="What is there">
          <Input
            value={words}
            placeholder="a food of the pantry"
            role="combobox"
            aria-expanded={found.length > 0}
            aria-controls="stock-found"
            onChange={({ target }) => {
              setWords(target.value);
              setFood(undefined);
            }}
            onKeyDown={(event) => {
              const [first] = found;
              if (event.key !== 'Enter' || !first) return;
              event.preventDefault();
              setFood(first);
              setWords(first.name);
            }}
          />
        </Field>
        {found.length > 0 && (
          <ul className="stock-found" id="stock-found" role="listbox" aria-label="Foods">
            {found.map((one) => (
              <li key={one.id} role="option" aria-selected={false}>
                <button
                  type="button"
                  className="found-food"
                  onClick={() => {
                    setFood(one);
                    setWords(one.name);
                  }}
                >
                  {one.name}
                </button>
              </li>
            ))}
          </ul>
        )}
      </div>
      <Field label="How much">
        <Input inputMode="decimal" value={amount} onChange={({ target }) => setAmount(target.value)} />
      </Field>
      <Field label="Unit">
        <Select value={unit} onChange={({ target }) => setUnit(target.value)}>
          {units.map((one) => (
            <option key={one}>{one}</option>
          ))}
        </Select>
      </Field>
      <Field label="Where">
        <Select value={place} onChange={({ target }) => setPlace(target.value)}>
          {PLACES.map((one) => (
            <option key={one}>{one}</option>
          ))}
        </Select>
      </Field>
      <Field label="Best before">
        <Input type="date" value={day} onChange={({ target }) => setDay(target.value)} />
      </Field>
      <Button kind="main" type="submit" disabled={!sound || isLoading}>
        Note it
      </Button>
    </form>
  );
}
