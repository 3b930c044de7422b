import {
  COOKING_METHODS,
  FoodIndex,
  foodDoubts,
  gramsOfPrintedBasis,
  lineFromText,
  readKitchen,
  recipeFigures,
  type Food,
} from '../src/index.js';
import { kitchenOf, recipeOf } from './kitchens.js';
import { demoKitchen } from './demoKitchen.js';
import { starterFiles, starterFoods } from './starterPantry.js';

test.each(starterFiles)('%s is a kitchen file', (_, file) => {
  expect(readKitchen(file, '2026-11-25')).toMatchObject({ ok: true });
});

test('several hundred foods, each with an id and a name of its own', () => {
  expect(starterFoods.length).toBeGreaterThan(600);
  expect(new Set(starterFoods.map(({ id }) => id)).size).toBe(starterFoods.length);
  expect(new Set(starterFoods.map(({ name }) => name.toLowerCase())).size).toBe(starterFoods.length);
});

test.each(starterFoods.map((food): [string, Food] => [food.id, food]))(
  '%s: energy, ranges, sums of parts, measures and yields hold',
  (_, food) => {
    expect(foodDoubts(food)).toEqual([]);
    expect(['table', 'estimate']).toContain(food.source);
    expect(food.aisle).toBeDefined();
    expect(gramsOfPrintedBasis(food)).toBe(100);
    for (const nutrient of ['energyKcal', 'protein', 'fat', 'carbohydrate', 'fibre'] as const)
      expect(food.nutrients?.[nutrient]).toEqual(expect.any(Number));
    for (const method of Object.keys(food.yields ?? {})) expect(COOKING_METHODS).toContain(method);
    for (const name of Array.isArray(food.measuresAre) ? food.measuresAre : []) expect(Object.keys(food.measures ?? {})).toContain(name);
  },
);

const index = new FoodIndex(starterFoods);

test.each([
  ['2 zucchini', 'courgette'],
  ['1 eggplant, cubed', 'aubergine'],
  ['200 g rutabaga', 'swede'],
  ['3 scallions, sliced', 'spring-onion'],
  ['1 tbsp canola oil', 'oil-rapeseed'],
  ['100 g arugula', 'rocket'],
  ['1 handful cilantro', 'coriander-fresh'],
  ['2 cans garbanzo beans', 'chickpeas-canned'],
  ['300 g diced tomatoes', 'tomatoes-chopped-canned'],
  ['1 bell pepper, red', 'pepper-red'],
  ['400 g ground beef 10 %', 'beef-mince-10'],
  ['200 ml soy milk', 'soy-drink'],
  ['200 g prawns', 'prawns'],
  ['1 sweetheart cabbage', 'cabbage-pointed'],
])('"%s" is %s', (text, food) => {
  expect(lineFromText(text, index, { servings: 4, measures: 'metric' })).toMatchObject({ food });
});

test('roasted before the food is weighed roasted; behind the comma it is weighed before', () => {
  expect(lineFromText('300 g roasted butternut squash', index, { servings: 4, measures: 'metric' })).toMatchObject({
    food: 'butternut-squash',
    cooking: 'roasted',
    state: 'cooked',
  });
  const after = lineFromText('300 g butternut squash, roasted', index, { servings: 4, measures: 'metric' });
  expect(after).toMatchObject({ food: 'butternut-squash', cooking: 'roasted' });
  expect(after.state).toBeUndefined();
  expect(lineFromText('1 jar roasted peppers', index, { servings: 4, measures: 'metric' })).not.toHaveProperty('cooking');
  expect(lineFromText('1 can baked beans', index, { servings: 4, measures: 'metric' })).toMatchObject({ food: 'baked-beans-tomato-sauce' });
});

test('the yield of the method decides what the cooked part weighs and what a cooked amount was before', () => {
  const kitchen = kitchenOf({ foods: starterFoods });
  const squash = starterFoods.find(({ id }) => id === 'butternut-squash')!;
  const roasted = squash.yields?.roasted ?? NaN;
  const raw = recipeFigures(recipeOf([{ food: 'butternut-squash', amount: 300, unit: 'g', cooking: 'roasted' }]), kitchen);
  expect(raw.parts[0]?.cooked).toBeCloseTo(300 * roasted, 9);
  const cooked = recipeFigures(
    recipeOf([{ food: 'butternut-squash', amount: 300, unit: 'g', cooking: 'roasted', state: 'cooked' }]),
    kitchen,
  );
  expect(cooked.lines[0]?.weights?.edible).toBeCloseTo(300 / roasted, 9);
});

test('a food at hand goes before one that only fits', () => {
  const foods = [...demoKitchen.content.foods, ...starterFoods.filter(({ id }) => !demoKitchen.food(id))];
  const bought = new Set(demoKitchen.content.packs.map(({ food }) => food));
  const both = new FoodIndex(foods, bought);
  expect(lineFromText('350 g pearl barley', both, { servings: 4, measures: 'metric' }).food).toBe('pearl-barley-nine');
  expect(lineFromText('2 tbsp rapeseed oil', both, { servings: 4, measures: 'metric' }).food).toBe('rapeseed-oil-harbour');
  expect(lineFromText('2 cans white beans', both, { servings: 4, measures: 'metric' }).food).toBe('white-beans-harbour');
  expect(lineFromText('300 g red lentils', both, { servings: 4, measures: 'metric' }).food).toBe('red-lentils-weir-lane');
});
