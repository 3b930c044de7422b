import type { Recipe } from '../recipe/index.js';
import { longSteps } from './longSteps.js';

const dish = (...texts: string[]): Recipe => ({
  id: 'dish',
  title: 'Dish',
  servings: 4,
  parts: [{ id: 'main', name: 'Main', lines: [] }],
  steps: texts.map((text) => ({ text })),
});
const found = (...texts: string[]) => longSteps(dish(...texts)).map(({ step, minutes }) => [step.number, minutes]);

test('a soak, a marinade and a long braise are told by their steps', () => {
  expect(found('Soak the beans overnight.', 'Simmer for 40 min.', 'Braise for 4 h.', 'Marinate for 6 hours.')).toEqual([
    [1, undefined],
    [3, 240],
    [4, 360],
  ]);
  expect(found('Salt the fish the day before.', 'The night before, soak the chickpeas.')).toEqual([
    [1, undefined],
    [2, undefined],
  ]);
});

test('what is done within the cook is not', () => {
  expect(found('Simmer for 3 h 50.', 'Rest for 10 min.', 'Serve.')).toEqual([]);
});
