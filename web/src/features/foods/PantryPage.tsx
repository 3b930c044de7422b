import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import {
  bestPack,
  candidatePacks,
  FoodIndex,
  foodEnergyAgreement,
  nutrientsPerGram,
  SALT_GRAMS_PER_SODIUM_MG,
  type Food,
  type Kitchen,
} from '@portiona/core';
import { useListFoodsQuery, useListPacksQuery } from '../../api/api.gen';
import { asFood, asPack } from '../../api/documents';
import { numberText, priceText } from '../../ui/numberText';
import { useKitchen } from '../kitchen/useKitchen';
import { FoodTag } from './FoodTag';

/** Everything that is bought: what is in 100 g of it, where that is known from, and what a kilogram costs. */
export function PantryPage() {
  const { foodId } = useParams();
  const navigate = useNavigate();
  const here = useKitchen();
  const foodRows = useListFoodsQuery().data;
  const packRows = useListPacksQuery().data;
  const [words, setWords] = useState('');
  const foods = useMemo(() => foundFoods(here?.foods ?? [], here?.index, words), [here, words]);
  const chosen = foodRows?.find(({ id }) => id === foodId);
  if (!here || !foodRows || !packRows) return <main className="page" aria-busy="true" />;
  const beside = foodId !== undefined;
  return (
    <main className={`pantry ${beside ? '' : 'alone'}`}>
      <div className="page">
        <div className="page-head">
          <h1>Pantry</h1>
          <input
            className="field w-64 ml-2"
            type="search"
            placeholder="Find a food"
            aria-label="Find a food"
            value={words}
            onChange={({ target }) => setWords(target.value)}
          />
          <span className="muted">
            {foods.length} {foods.length === 1 ? 'food' : 'foods'}, per 100 g
          </span>
          <button className="btn btn-main ml-auto" onClick={() => void navigate('/pantry/new')}>
            Add a food
          </button>
        </div>
        {here.foods.length === 0 ? (
          <div className="empty">
            <h2>The pantry is empty</h2>
            <p className="muted mb-4">
              Foods with their labels and prices stand here; every figure of a recipe comes from them. Add the first, or load the demo with
              “portiona demo”.
            </p>
            <button className="btn btn-main" onClick={() => void navigate('/pantry/new')}>
              Add a food
            </button>
          </div>
        ) : (
          <div className="ledger shelf">
            <div className="ledger-row heads">
              <span>food</span>
              <span className="num">kcal</span>
              <span className="num">protein</span>
              <span className="num">carbohydrate</span>
              <span className="num">fat</span>
              <span className="num">fibre</span>
              <span className="num">salt</span>
              <span className="num">a kg</span>
            </div>
            {foods.map((food) => (
              <FoodRow key={food.id} food={food} kitchen={here.kitchen} on={food.id === foodId} />
            ))}
          </div>
        )}
      </div>
      {beside && (foodId === 'new' || chosen) && (
        <FoodTag
          key={foodId}
          saved={chosen ? asFood(chosen) : undefined}
          packs={packRows.map(asPack).filter(({ document }) => document.food === foodId)}
          kitchen={here.kitchen}
          taken={new Set(foodRows.map(({ id }) => id))}
        />
      )}
      {beside && foodId !== 'new' && !chosen && (
        <aside className="tag">
          <p className="muted">There is no food of that name; it may have been renamed.</p>
        </aside>
      )}
    </main>
  );
}

function FoodRow({ food, kitchen, on }: { readonly food: Food; readonly kitchen: Kitchen; readonly on: boolean }) {
  const perGram = nutrientsPerGram(food, kitchen.convention);
  const best = bestPack(candidatePacks(food, kitchen.packsOf(food.id), kitchen.settings));
  const agreement = foodEnergyAgreement(food);
  const sodium = perGram.sodium;
  return (
    <div className={`ledger-row ${on ? 'on' : ''}`}>
      <span className="min-w-0">
        <Link className="font-serif text-[15px] hover:underline" to={`/pantry/${food.id}`} aria-current={on}>
          {food.name}
        </Link>{' '}
        <span className="chip">{food.source ?? 'estimate'}</span>
        {food.state && food.state !== 'as sold' && <span className="faint text-[12px] ml-1.5">{food.state}</span>}
        {agreement && !agreement.agrees && <span className="chip bad ml-1.5">✕ energy and macros disagree</span>}
      </span>
      <Per100 amount={perGram.energyKcal} decimals={0} />
      <Per100 amount={perGram.protein} />
      <Per100 amount={perGram.carbohydrate} />
      <Per100 amount={perGram.fat} />
      <Per100 amount={perGram.fibre} />
      <Per100 amount={sodium === undefined ? undefined : sodium * SALT_GRAMS_PER_SODIUM_MG} decimals={2} />
      <span className="num">{best ? priceText(best.rate * 1000, kitchen.settings.currency) : <span className="faint">no price</span>}</span>
    </div>
  );
}

function Per100({ amount, decimals = 1 }: { readonly amount: number | undefined; readonly decimals?: number }) {
  return <span className="num">{amount === undefined ? <span className="faint">unknown</span> : numberText(amount * 100, decimals)}</span>;
}

function foundFoods(foods: readonly Food[], index: FoodIndex | undefined, words: string): readonly Food[] {
  if (words.trim() === '' || !index) return foods;
  return index.find(words, 40).map(({ food }) => food);
}
