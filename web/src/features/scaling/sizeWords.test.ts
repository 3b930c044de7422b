import type { Recipe } from '@portiona/core';
import { sizeWords, withSizeWords } from './sizeWords';

const dish: Recipe = {
  id: 'd',
  title: 'Six boxes of stew',
  servings: 6,
  servingName: 'box',
  lead: 'Makes 6 boxes; six boxes feed a crew. Serves four at the table.',
  parts: [{ id: 'p', name: 'P', lines: [] }],
  steps: ['Divide between 6 boxes.', { id: 's', text: 'Cool {p/1 the stew}, 2 to a box.', part: 'p' }],
  storage: { reheat: 'All 6 boxes reheat once.' },
};

test('every place that says another size is pointed at, with what it says', () => {
  expect(sizeWords(dish, 8).map(({ where, found }) => [where, found.words, found.count])).toEqual([
    ['the title', 'Six boxes', 6],
    ['the lead', '6 boxes', 6],
    ['the lead', 'six boxes', 6],
    ['the lead', 'Serves four', 4],
    ['step 1', '6 boxes', 6],
    ['reheating', '6 boxes', 6],
  ]);
  expect(sizeWords(dish, 6).map(({ found }) => found.words)).toEqual(['Serves four']);
});

test('what said the old size says the new one, and nothing else moves', () => {
  const scaled = withSizeWords(dish, 6, 8);
  expect(scaled).toEqual({
    ...dish,
    title: 'Eight boxes of stew',
    lead: 'Makes 8 boxes; eight boxes feed a crew. Serves four at the table.',
    steps: ['Divide between 8 boxes.', dish.steps?.[1]],
    storage: { reheat: 'All 8 boxes reheat once.' },
  });
  expect(withSizeWords(scaled, 8, 6)).toEqual(dish);
});
