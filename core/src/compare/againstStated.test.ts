import { Kitchen, recipeFigures } from '../recipe/index.js';
import { againstStated } from './againstStated.js';

const kitchen = new Kitchen({
  settings: { currency: 'EUR', measures: 'metric', rules: 'plain', staples: 'counted', date: '2026-11-25' },
  foods: [{ id: 'oats', name: 'Oats', nutrients: { energyKcal: 400, protein: 10, fat: 8, carbohydrate: 60, sodium: 100 } }],
  packs: [],
  recipes: [],
});
const figuresOf = (stated: object) => {
  const recipe = {
    id: 'r',
    title: 'R',
    servings: 4,
    parts: [{ id: 'main', name: 'Main', lines: [{ food: 'oats', amount: 400, unit: 'g' }] }],
    stated: stated as never,
  };
  return againstStated(recipe, recipeFigures(recipe, kitchen), 'available');
};

test('what a page says of a serving stands beside what is computed; further than a sixth apart is far', () => {
  expect(figuresOf({ of: 'serving', nutrients: { energyKcal: 320, protein: 11 } })).toEqual([
    { nutrient: 'energyKcal', stated: 320, computed: 400, atLeast: false, apart: 0.25, far: true },
    { nutrient: 'protein', stated: 11, computed: 10, atLeast: false, apart: expect.closeTo(-1 / 11) as number, far: false },
  ]);
});

test('the whole is divided, kilojoules are told as kilocalories, salt as sodium; what nobody states is not compared', () => {
  expect(figuresOf({ of: 'whole', nutrients: { energyKj: 4 * 418.4 * 4, salt: 1 } })).toEqual([
    {
      nutrient: 'energyKcal',
      stated: expect.closeTo(400) as number,
      computed: 400,
      atLeast: false,
      apart: expect.closeTo(0) as number,
      far: false,
    },
    {
      nutrient: 'sodium',
      stated: expect.closeTo(100) as number,
      computed: 100,
      atLeast: false,
      apart: expect.closeTo(0) as number,
      far: false,
    },
  ]);
  expect(figuresOf({ of: 'serving', nutrients: {} })).toEqual([]);
});

test('what has at least so much is told to be too much, never too little', () => {
  const recipe = {
    id: 'r',
    title: 'R',
    servings: 4,
    parts: [{ id: 'main', name: 'Main', lines: [{ food: 'oats', amount: 400, unit: 'g' }, { text: '100 g moon dust' }] }],
    stated: { of: 'serving' as const, nutrients: { energyKcal: 800, protein: 5 } },
  };
  expect(againstStated(recipe, recipeFigures(recipe, kitchen), 'available')).toMatchObject([
    { nutrient: 'energyKcal', atLeast: true, apart: -0.5, far: false },
    { nutrient: 'protein', atLeast: true, apart: 1, far: true },
  ]);
});
