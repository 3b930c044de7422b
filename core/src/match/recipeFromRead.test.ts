import { readRecipes } from '../page/index.js';
import { FoodIndex } from './foodIndex.js';
import { recipeFromRead } from './recipeFromRead.js';

test('what was read becomes a recipe: sections its parts, words that match no food kept', () => {
  const foods = [
    { id: 'leek', name: 'Leek, raw', measures: { piece: 200 } },
    { id: 'orzo', name: 'Orzo, dry' },
  ];
  const [read] = readRecipes('Orzo\nMakes 5 boxes\nIngredients\n3 leeks\n400 g orzo\nFor the top:\n2 tbsp moon dust\nMethod\nBoil.');
  expect(recipeFromRead(read!, new FoodIndex(foods), new Set(['orzo']))).toEqual({
    id: 'orzo-2',
    title: 'Orzo',
    servings: 5,
    servingName: 'box',
    parts: [
      {
        id: 'main',
        name: 'Main',
        lines: [
          { food: 'leek', amount: 3, unit: 'piece', text: '3 leeks' },
          { food: 'orzo', amount: 400, unit: 'g', text: '400 g orzo' },
        ],
      },
      { id: 'top', name: 'Top', lines: [{ text: '2 tbsp moon dust' }] },
    ],
    steps: ['Boil.'],
  });
});

test('a section of the method that is called like a part is of that part', () => {
  const read = {
    title: 'Bowls',
    servings: undefined,
    servingName: undefined,
    sections: [
      { name: 'Stew', lines: ['200 g orzo'] },
      { name: 'Dressing', lines: ['200 g orzo'] },
    ],
    steps: [
      { text: 'Boil the barley.', section: 'Stew' },
      { text: 'Add salt.', section: 'stew:' },
      { text: 'Whisk it all.', section: 'For the dressing' },
      { text: 'Share it out.', section: 'Serving' },
      { text: 'Fold the bag.', section: 'Serving' },
      { text: 'Eat {stew/1 it}.' },
    ],
    activeMinutes: undefined,
    totalMinutes: undefined,
    source: undefined,
    stated: undefined,
    left: [],
  };
  expect(recipeFromRead(read, new FoodIndex([{ id: 'orzo', name: 'Orzo, dry' }]), new Set()).steps).toEqual([
    { text: 'Boil the barley.', part: 'stew' },
    { text: 'Add salt.', part: 'stew' },
    { text: 'Whisk it all.', part: 'dressing' },
    'Serving: Share it out.',
    'Fold the bag.',
    'Eat it.',
  ]);
});

test('times, source and what its page says of a serving come along; what was not read is left out', () => {
  const read = {
    title: 'Bowls',
    servings: 4,
    servingName: undefined,
    sections: [{ name: '', lines: ['200 g orzo'] }],
    steps: [],
    activeMinutes: 20,
    totalMinutes: 45,
    source: 'https://example.org/bowls',
    stated: { of: 'serving' as const, nutrients: { energyKcal: 410 } },
    left: [],
  };
  const index = new FoodIndex([{ id: 'orzo', name: 'Orzo, dry' }]);
  const told = {
    activeMinutes: 20,
    totalMinutes: 45,
    source: 'https://example.org/bowls',
    stated: { of: 'serving' as const, nutrients: { energyKcal: 410 } },
  };
  expect(recipeFromRead(read, index, new Set())).toMatchObject(told);
  const bare = recipeFromRead(
    { ...read, activeMinutes: undefined, totalMinutes: undefined, source: undefined, stated: undefined },
    index,
    new Set(),
  );
  for (const key of [...Object.keys(told), 'steps']) expect(bare).not.toHaveProperty(key);
});
