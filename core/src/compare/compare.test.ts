import { demoKitchen } from '../../test/demoKitchen.js';
import { kitchenOf, recipeOf } from '../../test/kitchens.js';
import { recipeFigures } from '../recipe/index.js';
import { foodComparison } from './foodComparison.js';
import { swapEffect, usualGrams } from './swapEffect.js';

const pack = (food: string, price: string) => ({ food, net: 1, unit: 'kg', price, currency: 'EUR', shop: 'S', seen: '2031-03-01' });
const kitchen = kitchenOf({
  foods: [
    {
      id: 'thigh',
      name: 'Thigh',
      refuse: 0.2,
      nutrients: { energyKcal: 120, protein: 20, fat: 4, carbohydrate: 0 },
      measures: { piece: 150 },
    },
    { id: 'tofu', name: 'Tofu', nutrients: { energyKcal: 150, protein: 15, fat: 9, carbohydrate: 2 } },
    { id: 'water', name: 'Water', nutrients: { energyKcal: 0, protein: 0 } },
  ],
  packs: [pack('thigh', '8.00'), pack('tofu', '6.00')],
});

test('products side by side, money for what must be bought to eat them', () => {
  const [thigh, tofu, water] = foodComparison(['thigh', 'tofu', 'water'], kitchen);
  expect(thigh).toMatchObject({ costPer100g: 1, for30gProtein: { grams: 150, energyKcal: 180, cost: 1.5 } });
  expect(thigh?.per100kcal.protein).toBeCloseTo(20 / 1.2, 9);
  expect(tofu?.for30gProtein.cost).toBeCloseTo(1.2, 9);
  expect(tofu?.perMoney.protein).toBeCloseTo(25, 9);
  expect(water).toMatchObject({ costPer100g: undefined, for30gProtein: { grams: undefined } });
  expect(water?.per100kcal).toEqual({});
});

test('a use of so many grams, and salt beside sodium', () => {
  const within = kitchenOf({
    foods: [{ id: 'feta', name: 'Feta', nutrients: { protein: 16, sodium: 1000 } }],
    packs: [pack('feta', '9.00')],
  });
  const [feta] = foodComparison(['feta'], within, 40);
  expect(feta?.per100g).toMatchObject({ protein: 16, sodium: 1000, salt: 2.5 });
  expect(Object.keys(feta?.inUse ?? {})).toEqual(['protein', 'sodium', 'salt']);
  expect(feta?.inUse.protein).toBeCloseTo(6.4, 9);
  expect(feta?.inUse.salt).toBeCloseTo(1, 9);
  expect(feta?.costInUse).toBeCloseTo(0.36, 9);
  expect(feta?.per100kcal).toEqual({});
});

test('a swap keeps the edible grams, and says what a serving gains', () => {
  const recipe = recipeOf([{ food: 'thigh', amount: 4, unit: 'piece', text: '4 thighs' }]);
  const effect = swapEffect(recipe, 'thigh', 'tofu', kitchen)!;
  // 4 x 150 g less a fifth of bone: 480 g, 120 g a serving.
  expect(effect.swapped.parts[0]?.lines[0]).toEqual({ food: 'tofu', amount: 480, unit: 'g', as: 'EP' });
  expect(effect.energyKcal).toBeCloseTo(120 * 0.3, 9);
  expect(effect.protein).toBeCloseTo(-6, 9);
  expect(effect.usedCost).toBeCloseTo(120 * (0.006 - 0.01), 9);
  expect(swapEffect(recipe, 'tofu', 'thigh', kitchen)).toBeUndefined();
});

test('a swap there and back changes nothing', () => {
  for (const recipe of demoKitchen.content.recipes) {
    const there = swapEffect(recipe, 'onion-white', 'leek', demoKitchen);
    if (!there) continue;
    const back = swapEffect(there.swapped, 'leek', 'onion-white', demoKitchen)!;
    if (recipe.parts.some(({ lines }) => lines.some(({ food }) => food === 'leek'))) continue;
    const [before, after] = [recipeFigures(recipe, demoKitchen), recipeFigures(back.swapped, demoKitchen)];
    expect(after.perServing.nutrients.energyKcal.amount).toBeCloseTo(before.perServing.nutrients.energyKcal.amount ?? NaN, 6);
  }
});

test('what a serving usually holds of a food', () => {
  expect(usualGrams(['thigh'], [recipeOf([{ food: 'thigh', amount: 480, unit: 'g' }])], kitchen)).toBe(120);
  expect(usualGrams(['tofu'], [recipeOf([{ food: 'thigh', amount: 480, unit: 'g' }])], kitchen)).toBeUndefined();
});
