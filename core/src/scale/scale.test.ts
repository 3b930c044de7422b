import fc from 'fast-check';
import { kitchenOf, recipeOf } from '../../test/kitchens.js';
import { snapAmount } from '../quantity/index.js';
import { recipeFigures, type Line } from '../recipe/index.js';
import { handyMeasure } from './handyMeasure.js';
import { servingsForPack, servingsForPortion } from './servingsFor.js';
import { snappedRecipe } from './snappedRecipe.js';
import { USUAL_DAMPING, usualScaling, withUsualScaling } from './usualScaling.js';
import { FILL_LIMITS, fitVessel, partVolume, servingsInVessel } from './vessel.js';

const beef = { id: 'beef', name: 'Beef', yield: 0.66, refuse: 0.1, nutrients: { energyKcal: 131, protein: 21.5 } };
const kitchen = kitchenOf({ foods: [beef] });

test.each([
  [0.3, 'cup', 1 / 3],
  [0.05, 'cup', 0.25],
  [1.9, 'cup', 2],
  [0.6, 'tsp', 0.5],
  [0.05, 'tsp', 0.25],
  [63, 'g', 65],
  [127, 'g', 130],
  [2.2, 'g', 2],
  [1.237, 'kg', 1.24],
  [4.4, 'piece', 4.5],
  [0, 'g', 0],
])('%d %s is measured as %d', (amount, unit, snapped) => {
  expect(snapAmount(amount, unit)).toBeCloseTo(snapped, 12);
});

test('what is snapped stays where it is, and nothing vanishes', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 50_000 }), fc.constantFrom('g', 'ml', 'cup', 'tsp', 'piece', 'oz'), (hundredths, unit) => {
      const once = snapAmount(hundredths / 100, unit);
      expect(once).toBeGreaterThan(0);
      expect(snapAmount(once, unit)).toBeCloseTo(once, 12);
    }),
  );
});

test('figures are computed again from what the card prints, and the drift is told', () => {
  const snapped = snappedRecipe(
    recipeOf([
      { food: 'beef', amount: 403, unit: 'g' },
      { food: 'beef', amount: 100, unit: 'g' },
    ]),
    kitchen,
  );
  expect(snapped.lines).toEqual([{ at: 'pot/1', from: 403, to: 400, drift: 400 / 403 - 1 }]);
  expect(snapped.figures.perServing.nutrients.protein.amount).toBeCloseTo((500 * 0.215) / 4, 12);
  expect(snapped.perServing.energyKcal).toBeCloseTo((-3 * 1.31) / 4, 9);
});

test('amounts per serving are measured for the batch', () => {
  const snapped = snappedRecipe(recipeOf([{ food: 'beef', amount: 33, unit: 'g' }], { amountsPer: 'serving' }), kitchen);
  expect(snapped.recipe.parts[0]?.lines[0]?.amount).toBe(130 / 4); // 132 g for four
});

test('a pack on hand decides the servings, by the rule of its line', () => {
  const dish = recipeOf([{ food: 'beef', amount: 900, unit: 'g' }], { servings: 6 }); // 1000 g to buy
  expect(servingsForPack(dish, 'pot/1', 1360, kitchen)).toBeCloseTo(6 * 1.36, 6);
  const damped = recipeOf([{ food: 'beef', amount: 900, unit: 'g', scaling: { damped: 0.5 } }], { servings: 6 });
  expect(servingsForPack(damped, 'pot/1', 2000, kitchen)).toBeCloseTo(24, 5);
  const fixed = recipeOf([{ food: 'beef', amount: 900, unit: 'g', scaling: 'fixed' }], { servings: 6 });
  expect(servingsForPack(fixed, 'pot/1', 1360, kitchen)).toBeUndefined();
});

test('a portion weight decides the servings', () => {
  expect(servingsForPortion(recipeOf([{ food: 'beef', amount: 1000, unit: 'g' }]), 110, kitchen)).toBeCloseTo(6, 9);
});

test('a batch over the fill limit is split, and the method says so', () => {
  const cooker = { name: 'slow cooker', capacity: 4500, fillLimit: FILL_LIMITS['slow cooker'] };
  expect(fitVessel(5200, cooker)).toMatchObject({
    batches: 2,
    each: 2600,
    says: 'Cook in 2 batches: the slow cooker is filled to 67 % at most.',
  });
  expect(fitVessel(3000, cooker)).toMatchObject({ batches: 1, says: '' });
  expect(servingsInVessel(520, { name: 'pot', capacity: 5000, fillLimit: 0.8 })).toBe(7);
  expect(() => fitVessel(1, { ...cooker, capacity: 0 })).toThrow(RangeError);
});

test.each([
  [1, 9000, 3, 1, 'Cook in 3 batches: the oven dish is filled to 80 % at most.'],
  [2, 4000, 1, 1, ''],
  [2, 7000, 1, 2, 'Share it between 2 oven dishes: each is filled to 80 % at most.'],
  [2, 13000, 2, 2, 'Cook in 2 batches of 2 oven dishes: each is filled to 80 % at most.'],
  [3, 20000, 2, 3, 'Cook in 2 batches of 3 oven dishes: each is filled to 80 % at most.'],
])('%d of them, %d ml: %d batches in %d', (count, millilitres, batches, vessels, says) => {
  const fit = fitVessel(millilitres, { name: 'oven dish', capacity: 5000, fillLimit: 0.8, count });
  expect(fit).toMatchObject({ batches, vessels, says });
  expect(fit.each).toBeLessThanOrEqual(4000 + 1e-9);
  expect(fit.each * batches * vessels).toBeCloseTo(millilitres, 6);
});

test('a part takes the room of its raw lines where they shrink, and of the cooked part where it swells', () => {
  const partOf = (food: string) =>
    recipeFigures(recipeOf([{ food, amount: 1000, unit: 'g' }]), kitchenOf({ foods: [beef, { id: 'rice', name: 'Rice', yield: 2.8 }] }))
      .parts[0]!;
  expect(partVolume(partOf('beef'))).toBe(1000);
  expect(partVolume(partOf('rice'))).toBeCloseTo(2800, 9);
});

const pantry = kitchenOf({
  foods: [
    { id: 'egg', name: 'Egg, medium', aisle: 'eggs-dairy', measures: { piece: 55 } },
    { id: 'tomatoes', name: 'Chopped tomatoes', aisle: 'canned-jarred', measures: { can: 400 } },
    { id: 'cumin', name: 'Cumin, ground', aisle: 'herbs-spices', density: 0.5 },
    { id: 'thyme', name: 'Thyme, fresh', aisle: 'herbs-spices', measures: { sprig: 1 } },
    { id: 'noodles', name: 'Egg noodles', aisle: 'grains-pasta-bread', measures: { piece: 60 } },
    { id: 'oil', name: 'Oil', aisle: 'oils-fats', density: 0.92 },
    { id: 'honey', name: 'Honey', aisle: 'sauces-sweet', density: 1.4, measures: { tbsp: 25 } },
  ],
});

test.each<[string, Partial<Line>, unknown]>([
  ['eggs by the piece', { food: 'egg', amount: 3, unit: 'piece' }, 'whole'],
  ['eggs by weight', { food: 'egg', amount: 300, unit: 'g' }, undefined],
  ['a can', { food: 'tomatoes', amount: 2, unit: 'can' }, 'whole'],
  ['half a can, opened on purpose', { food: 'tomatoes', amount: 0.5, unit: 'can' }, undefined],
  ['a pack', { food: 'tomatoes', amount: 1, unit: 'pack' }, 'whole'],
  ['spice', { food: 'cumin', amount: 2, unit: 'tsp' }, { damped: USUAL_DAMPING }],
  ['a fresh herb', { food: 'thyme', amount: 4, unit: 'sprig' }, undefined],
  ['what has egg in its name', { food: 'noodles', amount: 4, unit: 'piece' }, undefined],
  ['a line with a rule of its own', { food: 'cumin', amount: 2, unit: 'tsp', scaling: 'proportional' }, undefined],
  ['something to taste', { food: 'cumin', toTaste: 2 }, undefined],
])('%s: by default %j scales %j', (_, line, scaling) => {
  const recipe = recipeOf([line]);
  expect(usualScaling(line as Line, pantry.food(line.food ?? ''), recipe)?.scaling).toEqual(scaling);
  expect(withUsualScaling(recipe, (id) => pantry.food(id)).parts[0]?.lines[0]?.scaling).toEqual(scaling ?? line.scaling);
});

test('amounts per serving are whole where the batch of them is', () => {
  const line: Line = { food: 'egg', amount: 0.5, unit: 'piece' };
  const each = { amountsPer: 'serving' as const };
  expect(usualScaling(line, pantry.food('egg'), recipeOf([line], { ...each, servings: 4 }))?.scaling).toBe('whole');
  expect(usualScaling(line, pantry.food('egg'), recipeOf([line], { ...each, servings: 5 }))).toBeUndefined();
});

test.each<[string, number, string, string, number, string]>([
  ['oil', 4.75, 'tbsp', 'metric', 71.25, 'ml'],
  ['oil', 4.75, 'tbsp', 'us', 4.75, 'tbsp'],
  ['oil', 5.333_333, 'tbsp', 'us', 1 / 3, 'cup'],
  ['oil', 8, 'tbsp', 'us', 0.5, 'cup'],
  ['oil', 3, 'tsp', 'metric', 1, 'tbsp'],
  ['oil', 2.5, 'tsp', 'metric', 2.5, 'tsp'],
  ['oil', 1 / 3, 'tbsp', 'us', 1, 'tsp'],
  ['oil', 0.125, 'cup', 'us', 2, 'tbsp'],
  ['oil', 1.5, 'cup', 'metric', 1.5, 'cup'],
  ['honey', 6, 'tbsp', 'metric', 107.142_857, 'ml'],
  ['tomatoes', 6, 'can', 'metric', 6, 'can'],
])('%s, %d %s in %s measures is measured as %d %s', (food, amount, unit, measures, then, measure) => {
  const recipe = recipeOf([{ food, amount, unit }], { measures: measures as 'us' });
  const handy = handyMeasure({ food, amount, unit }, recipe, pantry);
  expect(handy.unit).toBe(measure);
  expect(handy.amount).toBeCloseTo(then, 5);
});

test('whatever measure is taken, it weighs what it weighed', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('oil', 'honey', 'cumin'),
      fc.integer({ min: 1, max: 4000 }),
      fc.constantFrom('tsp', 'tbsp', 'cup'),
      fc.constantFrom('us', 'metric', 'au', 'imperial'),
      fc.boolean(),
      (food, hundredths, unit, measures, each) => {
        const line: Line = { food, amount: hundredths / 100, unit };
        const recipe = recipeOf([line], { measures: measures as 'us', ...(each ? { amountsPer: 'serving' as const } : {}) });
        const handy = handyMeasure(line, recipe, pantry);
        const gramsOf = (one: Line) =>
          recipeFigures({ ...recipe, parts: [{ ...recipe.parts[0]!, lines: [one] }] }, pantry).lines[0]?.weights?.grams;
        expect(gramsOf(handy)).toBeCloseTo(gramsOf(line) ?? NaN, 6);
        expect(handyMeasure(handy, recipe, pantry)).toEqual(handy);
      },
    ),
  );
});

test('a variant’s lines go by the usual rules as the dish’s own do', () => {
  const eggs: Line = { food: 'egg', amount: 3, unit: 'piece' };
  const recipe = recipeOf([{ food: 'oil', amount: 1, unit: 'tbsp' }], {
    variants: [{ name: 'richer', changes: [{ part: 'pot', line: eggs }] }],
  });
  const ruled = withUsualScaling(recipe, (id) => pantry.food(id));
  expect(ruled.variants?.[0]?.changes).toEqual([{ part: 'pot', line: { ...eggs, scaling: 'whole' } }]);
  expect(ruled.parts).toEqual(recipe.parts);
});

test('amounts per serving are measured as the batch of them is', () => {
  // 1 1/4 tbsp for each of four: 5 tbsp, which is 75 ml, 18.75 ml each.
  const line: Line = { food: 'oil', amount: 1.25, unit: 'tbsp' };
  const handy = handyMeasure(line, recipeOf([line], { amountsPer: 'serving', servings: 4, measures: 'metric' }), pantry);
  expect(handy).toEqual({ food: 'oil', amount: 18.75, unit: 'ml' });
});
