import type { Food } from '../food/index.js';
import { FoodIndex } from './foodIndex.js';
import { triedAgain } from './triedAgain.js';

const foods: Food[] = [
  { id: 'leek', name: 'Leek, raw' },
  { id: 'tofu', name: 'Tofu, firm' },
  { id: 'tofu-smoked', name: 'Tofu, smoked' },
];
const found = (lines: readonly object[], athand = foods) =>
  triedAgain(
    { id: 'r', title: 'R', servings: 4, parts: [{ id: 'main', name: 'Main', lines: lines }] },
    new FoodIndex(athand),
    new Map(athand.map((food) => [food.id, food])),
    'metric',
  );

test('a line without a food that finds one now, and one nobody agreed to that finds another, are told with what they would be', () => {
  const lines = [
    { id: 'a', text: '200 g smoked tofu', comment: 'the good one', retained: 0.5 },
    { id: 'b', food: 'tofu', amount: 100, unit: 'g', text: '100 g smoked tofu', agreed: false },
  ];
  expect(found(lines)).toMatchObject([
    {
      at: 'main/1',
      before: undefined,
      food: { id: 'tofu-smoked' },
      line: { id: 'a', food: 'tofu-smoked', amount: 200, unit: 'g', comment: 'the good one', retained: 0.5 },
    },
    { at: 'main/2', before: 'tofu', food: { id: 'tofu-smoked' }, line: { id: 'b', food: 'tofu-smoked', amount: 100 } },
  ]);
  expect(found(lines)[1]?.line.agreed).toBeUndefined();
});

test('what was chosen, agreed to, or still finds nothing is left', () => {
  expect(
    found([
      { food: 'tofu', amount: 100, unit: 'g', text: '100 g smoked tofu' },
      { food: 'tofu', amount: 100, unit: 'g', text: '100 g smoked tofu', agreed: true },
      { text: '1 cup moon dust' },
      { recipe: 'base', part: 'sauce', text: 'sauce' },
      { food: 'leek', amount: 1, unit: 'g' },
    ]),
  ).toEqual([]);
});
