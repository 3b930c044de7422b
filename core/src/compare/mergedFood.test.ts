import fc from 'fast-check';
import { anyFood, kitchenOf, recipeOf } from '../../test/kitchens.js';
import { measureOf, type Food } from '../food/index.js';
import { packGrams } from '../price/index.js';
import { recipeFigures } from '../recipe/index.js';
import { FoodIndex } from '../match/index.js';
import { likelyDuplicates, mergedFood, mergeEffects, movedPack, withFoodMerged } from './mergedFood.js';

const kept: Food = {
  id: 'leek',
  name: 'Leek, raw',
  state: 'raw',
  nutrients: { energyKcal: 60 },
  measures: { piece: 200 },
  names: ['leeks'],
};
const gone: Food = {
  id: 'leek-2',
  name: 'Leeks',
  nutrients: { energyKcal: 50, protein: 2 },
  measures: { piece: 150, cup: 90 },
  measuresAre: ['cup'],
  refuse: 0.3,
  allergens: ['celery'],
};

test('the kept food gains what only the other knew, and stays itself', () => {
  expect(mergedFood(kept, gone)).toEqual({
    id: 'leek',
    name: 'Leek, raw',
    state: 'raw',
    nutrients: { energyKcal: 60 },
    measures: { piece: 200, cup: 90 },
    measuresAre: ['cup'],
    refuse: 0.3,
    allergens: ['celery'],
    names: ['leeks', 'Leeks'],
  });
});

test('whatever is merged, the kept one’s composition and measures stand, and no measure is lost', () => {
  fc.assert(
    fc.property(anyFood('a'), anyFood('b'), (one, other) => {
      const both = mergedFood(one, { ...other, measures: { slice: 30, piece: 90 } });
      expect(both.nutrients).toEqual(one.nutrients);
      expect(both.id).toBe('a');
      expect(measureOf(both, 'piece')).toEqual(measureOf(one, 'piece'));
      expect(measureOf(both, 'slice')?.grams).toBe(30);
    }),
  );
});

test('a pack keeps what it weighs, whatever the measure is called', () => {
  const pack = { food: 'leek-2', net: 3, unit: 'piece', price: '2.00', currency: 'EUR', shop: 'S', seen: '2031-03-01' };
  const moved = movedPack(pack, gone, mergedFood(kept, gone));
  expect(moved).toEqual({ ...pack, food: 'leek', net: 450, unit: 'g' });
  expect(packGrams(moved, kept)).toBe(packGrams(pack, gone));
  expect(movedPack({ ...pack, unit: 'kg' }, gone, kept)).toEqual({ ...pack, unit: 'kg', food: 'leek' });
});

test('every line and discard is moved, and what a serving gains is told', () => {
  const recipe = recipeOf(
    [{ food: 'leek-2', amount: 400, unit: 'g', as: 'EP' }],
    {},
    { discards: [{ food: 'leek-2', amount: 40, unit: 'g' }] },
  );
  const other = recipeOf([{ food: 'leek', amount: 100, unit: 'g' }], { id: 'other' });
  const kitchen = kitchenOf({ foods: [kept, gone], recipes: [recipe, other] });
  const [effect, ...none] = mergeEffects(kitchen, 'leek-2', 'leek');
  expect(none).toEqual([]);
  expect(effect?.recipe.id).toBe('dish');
  expect(JSON.stringify(effect?.merged)).not.toContain('leek-2');
  expect(effect?.energyKcal).toBeCloseTo(((400 - 40) / 4) * 0.1, 9);
  expect(effect?.protein).toBeUndefined();
  expect(effect?.usedCost).toBeUndefined();
});

test('merging a food with its twin changes no figure', () => {
  const twin = { ...kept, id: 'twin' };
  const recipe = recipeOf([{ food: 'twin', amount: 2, unit: 'piece' }]);
  const kitchen = kitchenOf({ foods: [kept, twin], recipes: [recipe] });
  expect(mergeEffects(kitchen, 'twin', 'leek')[0]?.energyKcal).toBe(0);
  const merged = withFoodMerged(recipe, 'twin', 'leek');
  expect(recipeFigures(merged, kitchen).perServing.weight).toBe(recipeFigures(recipe, kitchen).perServing.weight);
});

test('likely duplicates are called alike and burn alike', () => {
  const foods = [
    kept,
    gone,
    { id: 'leek-soup', name: 'Leek soup powder', nutrients: { energyKcal: 340 } },
    { id: 'leek-dry', name: 'Leek, raw', state: 'dry' as const, nutrients: { energyKcal: 300 } },
  ];
  expect(likelyDuplicates(kept, new FoodIndex(foods)).map(({ id }) => id)).toEqual(['leek-2']);
});
