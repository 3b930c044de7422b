import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { X } from 'lucide-react';
import { currencySign, foodComparison, type ComparedFood, type Kitchen } from '@portiona/core';
import { useSwapFoodQuery } from '../../api/api.gen';
import { numberText } from '../../ui/numberText';
import { effectText } from './effectText';
import { MostUsed } from './MostUsed';
import { usePutInPlace } from './usePutInPlace';
import { useKitchen, type LoadedKitchen } from '../kitchen/useKitchen';
import { Button } from '../../ui/Button';
import { Input } from '../../ui/Input';
import { Ledger, LedgerGroup, LedgerRow } from '../../ui/Ledger';
import './compare.css';
import { Menu } from '../../ui/Menu';
import { FoodFinder } from './FoodFinder';

const MOST = 4;

/** Two to four products side by side, and what each would change in the recipes that use the first. */
export function ComparePage() {
  const [search, setSearch] = useSearchParams();
  const here = useKitchen();
  const chosen = (search.get('foods') ?? '').split(',').filter(Boolean).slice(0, MOST);
  if (!here) return <main className="page" aria-busy="true" />;
  const foods = chosen.filter((id) => here.kitchen.food(id));
  const set = (ids: readonly string[]) => setSearch({ foods: ids.join(',') }, { replace: true });
  return (
    <main className="page">
      <div className="page-head">
        <h1>Compare</h1>
        <Button asChild kind="quiet">
          <Link to="/pantry">Back to the pantry</Link>
        </Button>
        {foods.length < MOST && <AddFood here={here} taken={foods} onAdd={(id) => set([...foods, id])} />}
      </div>
      {foods.length < 2 && (
        <p className="muted mb-3">
          {foods.length === 0 ? 'Choose two to four foods to stand side by side.' : 'Choose another food to stand beside this one.'}
        </p>
      )}
      {foods.length === 0 && <MostUsed here={here} onCompare={set} />}
      {foods.length > 0 && <Table foods={foods} kitchen={here.kitchen} onTake={(id) => set(foods.filter((one) => one !== id))} />}
      {foods.length > 1 && (
        <section aria-label="In the recipes" className="mt-5">
          <h2 className="font-serif font-semibold text-heading mb-2">In the recipes that use {here.kitchen.food(foods[0] ?? '')?.name}</h2>
          <div className="grid gap-4 grid-cols-[repeat(auto-fit,minmax(340px,1fr))]">
            {foods.slice(1).map((to) => (
              <Swaps key={to} from={foods[0] ?? ''} to={to} kitchen={here.kitchen} />
            ))}
          </div>
        </section>
      )}
    </main>
  );
}

function AddFood({
  here,
  taken,
  onAdd,
}: {
  readonly here: LoadedKitchen;
  readonly taken: readonly string[];
  readonly onAdd: (id: string) => void;
}) {
  const [words, setWords] = useState('');
  const found = words.trim() === '' ? [] : here.index.find(words, 6).filter(({ food }) => !taken.includes(food.id));
  const add = (id: string) => {
    onAdd(id);
    setWords('');
  };
  return (
    <span className="w-64">
      <FoodFinder
        label="Add a food to compare"
        placeholder="Add a food"
        words={words}
        onWords={setWords}
        foods={found.map(({ food }) => food)}
        here={here}
        onPick={({ id }) => add(id)}
        within={(foods) => <Menu className="absolute left-0 top-9 grid w-[340px]">{foods}</Menu>}
      />
    </span>
  );
}

/** A row: what it says, the figure, its decimals, whether more or less of it is the better, and where on a food's sheet it comes from. */
interface Row {
  readonly show: string;
  readonly name: string;
  readonly unit: string;
  readonly of: (food: ComparedFood) => number | undefined;
  readonly decimals: number;
  readonly better?: 'more' | 'less';
}

interface Group {
  readonly title: string;
  readonly rows: readonly Row[];
}

function groupsOf(grams: number, currency: string): readonly Group[] {
  const sign = currencySign(currency);
  return [
    {
      title: 'Per 100 g',
      rows: [
        { name: 'Energy', show: 'energyKcal', unit: 'kcal', of: ({ per100g }) => per100g.energyKcal, decimals: 0 },
        { name: 'Protein', show: 'protein', unit: 'g', of: ({ per100g }) => per100g.protein, decimals: 1, better: 'more' },
        { name: 'Carbohydrate', show: 'carbohydrate', unit: 'g', of: ({ per100g }) => per100g.carbohydrate, decimals: 1 },
        { name: 'of which sugars', show: 'sugars', unit: 'g', of: ({ per100g }) => per100g.sugars, decimals: 1 },
        { name: 'Fat', show: 'fat', unit: 'g', of: ({ per100g }) => per100g.fat, decimals: 1 },
        { name: 'of which saturates', show: 'saturates', unit: 'g', of: ({ per100g }) => per100g.saturates, decimals: 1, better: 'less' },
        { name: 'Fibre', show: 'fibre', unit: 'g', of: ({ per100g }) => per100g.fibre, decimals: 1, better: 'more' },
        {
          name: 'Salt',
          show: 'salt',
          unit: 'g',
          of: ({ per100g }) => per100g.salt,
          decimals: 2,
          better: 'less',
        },
        { name: 'Costs', show: 'usedCost', unit: sign, of: ({ costPer100g }) => costPer100g, decimals: 2, better: 'less' },
      ],
    },
    {
      title: `In a typical use, ${numberText(grams, 0)} g`,
      rows: [
        { name: 'Energy', show: 'energyKcal', unit: 'kcal', of: ({ inUse }) => inUse.energyKcal, decimals: 0 },
        { name: 'Protein', show: 'protein', unit: 'g', of: ({ inUse }) => inUse.protein, decimals: 1, better: 'more' },
        { name: 'Costs', show: 'usedCost', unit: sign, of: ({ costInUse }) => costInUse, decimals: 2, better: 'less' },
      ],
    },
    {
      title: 'Per 100 kcal',
      rows: [
        { name: 'Protein', show: 'protein', unit: 'g', of: ({ per100kcal }) => per100kcal.protein, decimals: 1, better: 'more' },
        { name: 'Fibre', show: 'fibre', unit: 'g', of: ({ per100kcal }) => per100kcal.fibre, decimals: 1, better: 'more' },
      ],
    },
    {
      title: 'For 30 g of protein',
      rows: [
        { name: 'Takes', show: 'protein', unit: 'g', of: ({ for30gProtein }) => for30gProtein.grams, decimals: 0, better: 'less' },
        {
          name: 'Energy',
          show: 'energyKcal',
          unit: 'kcal',
          of: ({ for30gProtein }) => for30gProtein.energyKcal,
          decimals: 0,
          better: 'less',
        },
        { name: 'Costs', show: 'usedCost', unit: sign, of: ({ for30gProtein }) => for30gProtein.cost, decimals: 2, better: 'less' },
      ],
    },
    {
      title: `For ${sign} 1`,
      rows: [
        { name: 'Grams', show: 'usedCost', unit: 'g', of: ({ perMoney }) => perMoney.grams, decimals: 0, better: 'more' },
        { name: 'Energy', show: 'energyKcal', unit: 'kcal', of: ({ perMoney }) => perMoney.energyKcal, decimals: 0 },
        { name: 'Protein', show: 'protein', unit: 'g', of: ({ perMoney }) => perMoney.protein, decimals: 1, better: 'more' },
      ],
    },
  ];
}

function Table({
  foods,
  kitchen,
  onTake,
}: {
  readonly foods: readonly string[];
  readonly kitchen: Kitchen;
  readonly onTake: (id: string) => void;
}) {
  const usual = useSwapFoodQuery({ from: foods[0] ?? '', to: foods[1] ?? foods[0] ?? '' }).data?.usualGrams ?? undefined;
  const [typed, setTyped] = useState('');
  const grams = Number(typed.replace(',', '.')) || usual || 100;
  const compared = foodComparison(foods, kitchen, grams);
  return (
    <Ledger className="compare" style={{ '--foods': foods.length } as React.CSSProperties}>
      <LedgerRow heads>
        <label className="flex gap-1.5 items-baseline">
          typical use
          <Input
            className="w-[64px] num"
            inputMode="decimal"
            value={typed}
            placeholder={numberText(usual ?? 100, 0)}
            onChange={({ target }) => setTyped(target.value)}
            aria-label="Grams of a typical use"
          />
          g
        </label>
        {foods.map((id) => (
          <span key={id} className="flex items-center gap-1">
            <Link className="font-serif text-line text-ink hover:underline" to={`/pantry/${id}`}>
              {kitchen.food(id)?.name}
            </Link>
            <span className="faint">{kitchen.food(id)?.state}</span>
            <Button kind="icon" aria-label={`Take ${kitchen.food(id)?.name ?? id} out`} onClick={() => onTake(id)}>
              <X size={13} />
            </Button>
          </span>
        ))}
      </LedgerRow>
      {groupsOf(grams, kitchen.settings.currency).map(({ title, rows }) => (
        <div key={title} className="contents">
          <LedgerGroup>{title}</LedgerGroup>
          {rows.map((row) => (
            <Figures key={row.name} row={row} compared={compared} />
          ))}
        </div>
      ))}
    </Ledger>
  );
}

function Figures({
  row: { name, show, unit, of, decimals, better },
  compared,
}: {
  readonly row: Row;
  readonly compared: readonly ComparedFood[];
}) {
  const figures = compared.map(of);
  const known = figures.filter((figure) => figure !== undefined);
  const best = better && known.length > 1 ? (better === 'more' ? Math.max(...known) : Math.min(...known)) : undefined;
  const most = Math.max(...known, 1e-9);
  return (
    <LedgerRow>
      <span className="muted">{name}</span>
      {figures.map((figure, i) => (
        <span key={compared[i]?.food ?? i} className="compared">
          {figure === undefined ? (
            <span className="faint">unknown</span>
          ) : (
            <>
              <Link
                className={`figbtn justify-self-start ${figure === best ? 'ok font-semibold' : ''}`}
                to={`/pantry/${compared[i]?.food ?? ''}?show=${show}`}
                title="Where it comes from"
              >
                {numberText(figure, decimals)} <small className="faint">{unit}</small>
                {figure === best && known.some((one) => one !== best) && <span title="best of these"> ✓</span>}
              </Link>
              <i style={{ width: `${(figure / most) * 100}%` }} aria-hidden />
            </>
          )}
        </span>
      ))}
    </LedgerRow>
  );
}

/** What the recipes gain when the first food gives way to another. */
function Swaps({ from, to, kitchen }: { readonly from: string; readonly to: string; readonly kitchen: Kitchen }) {
  const { data, refetch } = useSwapFoodQuery({ from, to }, { refetchOnMountOrArgChange: true });
  const putInPlace = usePutInPlace(kitchen);
  const [busy, setBusy] = useState(false);
  const swaps = data?.swaps;
  if (!swaps) return null;
  return (
    <Ledger className="p-3">
      <h3 className="font-semibold mb-1">Swap in {kitchen.food(to)?.name}</h3>
      {swaps.length === 0 && <p className="muted">No recipe uses it yet.</p>}
      {swaps.map(({ id, title, servingName, energyKcal, protein, usedCost }) => (
        <p key={id} className="flex gap-3 py-1 border-t border-rule">
          <Link className="font-serif flex-1 hover:underline" to={`/recipes/${id}/build`}>
            {title}
          </Link>
          <span className="num">
            {effectText({ energyKcal, protein, usedCost }, kitchen.settings.currency)} a {servingName}
          </span>
          <Button
            kind="quiet"
            disabled={busy}
            aria-label={`Put it in: ${title}`}
            hint={`${kitchen.food(to)?.name ?? to} in place of ${kitchen.food(from)?.name ?? from}, gram for gram as eaten; variants stay as they are`}
            onClick={() => {
              setBusy(true);
              void putInPlace(id, from, to).then(() => {
                setBusy(false);
                void refetch();
              });
            }}
          >
            Put it in
          </Button>
        </p>
      ))}
    </Ledger>
  );
}
