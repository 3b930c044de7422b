import { useDeferredValue, useMemo, useState } from 'react';
import { useMay } from '../account/useMe';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { bestPack, candidatePacks, foodEnergyAgreement, per100gOf, type Food, type Kitchen } from '@portiona/core';
import { useFindFoodsQuery, useGetFoodQuery, useListFoodsQuery } from '../../api/api.gen';
import { StarterPantry } from './StarterPantry';
import { problemOf, problemText } from '../../api/problem';
import { numberText, priceText } from '../../ui/numberText';
import { useKitchen } from '../kitchen/useKitchen';
import { FoodTag } from './FoodTag';
import { Input } from '../../ui/Input';
import { Select } from '../../ui/Select';
import { Button } from '../../ui/Button';
import { Ledger, LedgerGroup, LedgerRow } from '../../ui/Ledger';
import { Chip } from '../../ui/Chip';
import '../../ui/beside.css';
import { foundFoods } from './foundFoods';
import './pantry.css';

/** Rows shown before more are asked for: enough to look through, few enough to stay quick. */
const A_PAGE = 120;

/** Everything that is bought: what is in 100 g of it, where that is known from, and what a kilogram costs. */
export function PantryPage() {
  const edits = useMay('edit');
  const showsCosts = useMay('costs');
  const { foodId } = useParams();
  const navigate = useNavigate();
  const here = useKitchen();
  const foodRows = useListFoodsQuery().data;
  const [words, setWords] = useState('');
  const [aisle, setAisle] = useState('');
  const [shown, setShown] = useState(A_PAGE);
  const foods = useMemo(
    () => foundFoods(here?.foods ?? [], here?.index, words).filter((food) => aisle === '' || food.aisle === aisle),
    [here, words, aisle],
  );
  const aisles = useMemo(() => [...new Set((here?.foods ?? []).flatMap((food) => food.aisle ?? []))].sort(), [here]);
  const further = useFurtherFoods(words, here?.foodsById);
  const listed = foodRows?.find(({ id }) => id === foodId);
  // A row of an imported table is not among the foods at hand: it is fetched when it is looked at.
  const fetched = useGetFoodQuery({ id: foodId ?? '' }, { skip: foodId === undefined || foodId === 'new' || listed !== undefined }).data;
  const chosen = listed ?? (fetched?.id === foodId ? fetched : undefined);
  const likeId = useSearchParams()[0].get('like');
  const like = useGetFoodQuery({ id: likeId ?? '' }, { skip: foodId !== 'new' || likeId === null });
  if (!here || !foodRows) return <main className="page" aria-busy="true" />;
  const beside = foodId !== undefined;
  return (
    <main className={`pantry ${beside ? '' : 'alone'}`}>
      <div className="page">
        <div className="page-head">
          <h1>Pantry</h1>
          <Input
            className="filter"
            type="search"
            placeholder={`Find among ${foods.length} ${foods.length === 1 ? 'food' : 'foods'}`}
            aria-label="Find a food"
            value={words}
            onChange={({ target }) => setWords(target.value)}
          />
          <Select aria-label="Aisle" value={aisle} onChange={({ target }) => setAisle(target.value)}>
            <option value="">every aisle</option>
            {aisles.map((one) => (
              <option key={one} value={one}>
                {one.replace(/-/g, ', ')}
              </option>
            ))}
          </Select>
          <span className="ml-auto" />
          {showsCosts && (
            <Button asChild>
              <Link to="/pantry/prices">Prices</Link>
            </Button>
          )}
          {edits && (
            <>
              <Button asChild>
                <Link to="/pantry/bring">In and out</Link>
              </Button>
              <Button kind="main" onClick={() => void navigate('/pantry/new')}>
                Add a food
              </Button>
            </>
          )}
        </div>
        {here.foods.length === 0 ? (
          <div className="empty">
            <h2>The pantry is empty</h2>
            <p className="muted mb-4">
              Foods with their labels and prices stand here; every figure of a recipe comes from them. Begin with several hundred generic
              foods, typical values that your products’ labels take the place of, or with the first of your own.
            </p>
            <p className="flex gap-2 justify-center">
              <StarterPantry />
              <Button onClick={() => void navigate('/pantry/new')}>Add a food</Button>
            </p>
          </div>
        ) : (
          <Ledger className={showsCosts ? 'pantry-foods' : 'pantry-foods without-costs'}>
            <LedgerRow heads>
              <span>food, per 100 g</span>
              <span className="num">kcal</span>
              <span className="num">protein</span>
              <span className="num">carbohydrate</span>
              <span className="num">fat</span>
              <span className="num">fibre</span>
              <span className="num">salt</span>
              {showsCosts && <span className="num">a kg</span>}
            </LedgerRow>
            {foods.slice(0, shown).map((food) => (
              <FoodRow key={food.id} food={food} kitchen={here.kitchen} on={food.id === foodId} />
            ))}
            {foods.length > shown && (
              <LedgerGroup>
                <Button kind="quiet" onClick={() => setShown(shown + A_PAGE)}>
                  Show {Math.min(A_PAGE, foods.length - shown)} more of {foods.length - shown}
                </Button>
              </LedgerGroup>
            )}
            {further.length > 0 && <LedgerGroup>From imported tables</LedgerGroup>}
            {further.map((food) => (
              <FoodRow key={food.id} food={food} kitchen={here.kitchen} on={food.id === foodId} />
            ))}
            <LedgerGroup>
              <Button asChild kind="quiet">
                <Link to="/put-away">What was put away</Link>
              </Button>
            </LedgerGroup>
          </Ledger>
        )}
      </div>
      {beside && (foodId === 'new' ? !like.isFetching && !like.isError : chosen) && (
        <FoodTag
          key={`${foodId}/${likeId}`}
          saved={chosen ? chosen : undefined}
          like={like.currentData?.document}
          kitchen={here.kitchen}
          taken={new Set(foodRows.map(({ id }) => id))}
        />
      )}
      {beside && foodId === 'new' && like.isError && (
        <aside className="tag">
          <p className="muted">The food that this one was to be like cannot be had: {problemText(problemOf(like.error))}</p>
        </aside>
      )}
      {beside && foodId !== 'new' && !chosen && (
        <aside className="tag">
          <p className="muted">There is no food of that name; it may have been renamed.</p>
        </aside>
      )}
    </main>
  );
}

/** Foods of imported tables that fit the words: too many to be at hand, asked of the server once the typing pauses. */
function useFurtherFoods(words: string, athand: ReadonlyMap<string, Food> | undefined): readonly Food[] {
  const asked = useDeferredValue(words.trim());
  const found = useFindFoodsQuery({ q: asked, limit: '20' }, { skip: asked.length < 2 }).data;
  return useMemo(
    () => (asked.length < 2 ? [] : (found ?? []).map(({ food }) => food.document).filter(({ id }) => !athand?.has(id))),
    [asked, found, athand],
  );
}

function FoodRow({ food, kitchen, on }: { readonly food: Food; readonly kitchen: Kitchen; readonly on: boolean }) {
  const showsCosts = useMay('costs');
  const per100g = per100gOf(food, kitchen.convention);
  const best = bestPack(candidatePacks(food, kitchen.packsOf(food.id), kitchen.settings));
  const agreement = foodEnergyAgreement(food);
  return (
    <LedgerRow className={on ? 'on' : ''}>
      <span className="min-w-0">
        <Link className="font-serif text-line hover:underline" to={`/pantry/${food.id}`} aria-current={on}>
          {food.name}
        </Link>{' '}
        <Chip>{food.source ?? 'estimate'}</Chip>
        {food.state && food.state !== 'as sold' && <span className="faint text-small ml-1.5">{food.state}</span>}
        {agreement && !agreement.agrees && (
          <Chip tone="bad" className="ml-1.5">
            ✕ energy and macros disagree
          </Chip>
        )}
      </span>
      <Per100 amount={per100g.energyKcal} decimals={0} />
      <Per100 amount={per100g.protein} />
      <Per100 amount={per100g.carbohydrate} />
      <Per100 amount={per100g.fat} />
      <Per100 amount={per100g.fibre} />
      <Per100 amount={per100g.salt} decimals={2} />
      {showsCosts && (
        <span className="num">{best ? priceText(best.perKg, kitchen.settings.currency) : <span className="faint">no price</span>}</span>
      )}
    </LedgerRow>
  );
}

function Per100({ amount, decimals = 1 }: { readonly amount: number | undefined; readonly decimals?: number }) {
  return <span className="num">{amount === undefined ? <span className="faint">unknown</span> : numberText(amount, decimals)}</span>;
}
