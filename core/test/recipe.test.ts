import {
  CircularPartError,
  findingsOf,
  recipeFigures,
  recipeReport,
  scaledRecipe,
  CircularRatioError,
  UnknownFoodError,
  weighNext,
  type Food,
  type Recipe,
} from '../src/index.js';
import { kitchenOf, recipeOf } from './kitchens.js';

const leek: Food = {
  id: 'leek',
  name: 'Leek',
  state: 'raw',
  refuse: 0.3,
  measures: { piece: 200 },
  nutrients: { energyKcal: 30, protein: 1.5, fat: 0.3, carbohydrate: 5, fibre: 2 },
};
const lentils: Food = {
  id: 'lentils',
  name: 'Lentils',
  state: 'dry',
  yield: 2.4,
  nutrients: { energyKcal: 332, protein: 24, fat: 1.3, carbohydrate: 46, fibre: 16 },
};
const kitchen = kitchenOf({ foods: [leek, lentils] });

test('three leeks are 600 g bought, 420 g eaten', () => {
  const [line] = recipeFigures(recipeOf([{ food: 'leek', amount: 3, unit: 'piece' }]), kitchen).lines;
  expect(line?.weights).toMatchObject({ grams: 600, purchase: 600, edible: 420, eaten: 420, method: 'count' });
});

test('350 g of leek ready to eat means 500 g to buy', () => {
  const [line] = recipeFigures(recipeOf([{ food: 'leek', amount: 350, unit: 'g' }]), kitchen).lines;
  expect(line?.weights?.purchase).toBeCloseTo(500, 9);
});

test('a line whose words match no food lacks everything and is told', () => {
  const figures = recipeFigures(recipeOf([{ food: 'lentils', amount: 100, unit: 'g' }, { text: '2 spoons of something' }]), kitchen);
  expect(figures.perServing.nutrients.protein).toEqual({ amount: 6, gaps: ['pot/2'] });
  expect(findingsOf(figures, kitchen)).toContainEqual(expect.objectContaining({ code: 'no-composition', at: 'pot/2' }));
});

test('an empty part is nothing, at no cost', () => {
  const report = recipeReport(recipeOf([]), kitchen);
  expect(report.perServing).toMatchObject({ weight: 0, nutrients: {}, usedCost: 0 });
  expect(report.batch).toMatchObject({ usedCost: 0, tillCost: 0 });
});

test('a discard takes out no more than was there', () => {
  const fat: Food = { id: 'fat', name: 'Fat', nutrients: { fat: 100, energyKcal: 900 } };
  const figures = recipeFigures(
    recipeOf([{ food: 'lentils', amount: 100, unit: 'g' }], {}, { discards: [{ food: 'fat', amount: 50, unit: 'g' }] }),
    kitchenOf({ foods: [lentils, fat] }),
  );
  expect(figures.perServing.nutrients.fat.amount).toBe(0);
});

test('a shortfall is told and the figures stand', () => {
  const figures = recipeFigures(
    recipeOf([{ food: 'lentils', amount: 100, unit: 'g' }], {}, { portion: { by: 'grams', grams: 100 } }),
    kitchen,
  );
  expect(figures.parts[0]?.share).toMatchObject({ portion: 100, surplus: 0 });
  expect(findingsOf(figures, kitchen).map(({ code }) => code)).toContain('portion-short');
});

test('fourteen pieces do not divide by four; twelve or sixteen would', () => {
  const figures = recipeFigures(
    recipeOf([{ food: 'lentils', amount: 700, unit: 'g' }], {}, { portion: { by: 'pieces', made: 14, each: 2 } }),
    kitchen,
  );
  const finding = findingsOf(figures, kitchen).find(({ code }) => code === 'pieces-uneven');
  expect(finding?.message).toMatch(/Make 16 of 105 g each/);
});

test('a part that holds itself through another is refused, not followed for ever', () => {
  const other: Recipe = {
    id: 'other',
    title: 'Other',
    servings: 1,
    parts: [{ id: 'p', name: 'P', lines: [{ recipe: 'dish', part: 'pot', amount: 10, unit: 'g' }] }],
  };
  const dish = recipeOf([{ recipe: 'other', part: 'p', amount: 10, unit: 'g' }]);
  expect(() => recipeFigures(dish, kitchenOf({ recipes: [dish, other] }))).toThrow(CircularPartError);
});

test('a food nobody holds is named', () => {
  expect(() => recipeFigures(recipeOf([{ food: 'nothing', amount: 1, unit: 'g' }]), kitchen)).toThrow(UnknownFoodError);
});

test('a part of another recipe shares its gaps under the line’s own place', () => {
  const base: Recipe = {
    id: 'base',
    title: 'Base',
    servings: 2,
    parts: [{ id: 'b', name: 'B', lines: [{ food: 'lentils', amount: 100, unit: 'g' }, { text: 'unknown' }] }],
  };
  const dish = recipeOf([{ recipe: 'base', part: 'b', amount: 120, unit: 'g' }]);
  const figures = recipeFigures(dish, kitchenOf({ foods: [lentils], recipes: [base] }));
  expect(figures.perServing.nutrients.protein).toEqual({ amount: 3, gaps: ['pot/1'] });
});

test('ratios in a circle are told', () => {
  const dish = recipeOf([
    { food: 'leek', amount: 10, unit: 'g', scaling: { ratioTo: 'pot/2', share: 1 } },
    { food: 'lentils', amount: 10, unit: 'g', scaling: { ratioTo: 'pot/1', share: 1 } },
  ]);
  expect(() => scaledRecipe(dish, 8, kitchen)).toThrow(CircularRatioError);
});

test('what is on the scale already is not worth weighing', () => {
  const figures = recipeFigures(
    recipeOf([
      { food: 'lentils', amount: 100, unit: 'g' },
      { food: 'leek', amount: 1, unit: 'piece' },
    ]),
    kitchen,
  );
  expect(weighNext(figures.parts).map(({ at }) => at)).toEqual(['pot/2']);
});

test('free staples cost nothing and need no price', () => {
  const salt: Food = { id: 'salt', name: 'Salt', staple: true, nutrients: {} };
  const free = kitchenOf({ foods: [salt] }, { staples: 'free' });
  const figures = recipeFigures(recipeOf([{ food: 'salt', amount: 10, unit: 'g' }]), free);
  expect(figures.batch.usedCost).toEqual({ amount: 0, gaps: [] });
  expect(figures.batch.till.cost?.toNumber()).toBe(0);
  expect(findingsOf(figures, free).map(({ code }) => code)).not.toContain('no-price');
});

test('an age limit makes old prices stale, and says so rather than "no price"', () => {
  const packs = [{ food: 'lentils', net: 1, unit: 'kg', price: '2', currency: 'EUR', shop: 'A', seen: '2030-01-01' }];
  const old = kitchenOf({ foods: [lentils], packs }, { maxPriceAge: 30 });
  const figures = recipeFigures(recipeOf([{ food: 'lentils', amount: 100, unit: 'g' }]), old);
  expect(figures.perServing.usedCost).toEqual({ amount: undefined, gaps: ['pot/1'] });
  expect(findingsOf(figures, old).map(({ code }) => code)).toEqual(['stale-price']);
});
