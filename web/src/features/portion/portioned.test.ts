import { Kitchen, type Batch, type Part, type Recipe } from '@portiona/core';
import { equalBoxes, freeName, portioned, soundBoxes } from './portioned';

const part = (id: string, cookedWeight: number, over: Partial<Part> = {}): Part => ({
  ...{ id, name: id, cookedWeight, lines: [{ food: 'leek', amount: 1000, unit: 'g' }] },
  ...over,
});
const recipeOf = (...parts: readonly Part[]): Recipe => ({ id: 'pot', title: 'Pot', servings: 4, parts });
const kitchenOf = (recipe: Recipe) =>
  new Kitchen({
    settings: { currency: 'EUR', measures: 'metric', rules: 'plain', staples: 'counted', date: '2026-11-20' },
    foods: [{ id: 'leek', name: 'Leek', nutrients: { energyKcal: 30 } }],
    packs: [],
    recipes: [recipe],
  });
const of = (recipe: Recipe, over: Partial<Batch> = {}) => {
  const batch: Batch = { id: 'b', recipe: 'pot', date: '2026-11-20', ...over };
  const found = portioned(batch, [], kitchenOf(recipe));
  if (!found.ok) throw new Error(found.because);
  return found.made;
};

beforeAll(() => {
  Object.defineProperty(globalThis, 'window', { configurable: true, value: { location: { origin: 'http://kitchen' } } });
});

test('boxes alike share each part as the recipe does where there are as many; else equally, to what a scale shows', () => {
  const recipe = recipeOf(
    part('stew', 1001),
    part('rice', 950, { portion: { by: 'grams', grams: 180 } }),
    part('buns', 645, { portion: { by: 'pieces', made: 15, each: 3 } }),
    part('soup', 2000, { portion: { by: 'volume', made: 2100, each: 500 } }),
    part('top', 100, { served: 'table' }),
  );
  expect(equalBoxes(of(recipe), 4, 'A', 750)).toEqual([
    { name: 'A', count: 4, grams: { stew: 250, rice: 180, buns: 129, soup: 476.2 }, keep: 'fridge', holds: 750 },
  ]);
  expect(equalBoxes(of(recipe), 5, 'A', undefined)).toEqual([
    { name: 'A', count: 5, grams: { stew: 200, rice: 190, buns: 129, soup: 400 }, keep: 'fridge' },
  ]);
  expect(equalBoxes(of(recipe), 0, 'A', undefined)).toEqual([]);
});

test('every single box has its number, its day and its label, in the order of the list', () => {
  const recipe = { ...recipeOf(part('stew', 1000)), storage: { freezerMonths: 2 } };
  const { singles, kinds } = of(recipe, {
    boxes: [
      { name: 'Tilde', count: 2, grams: { stew: 200 } },
      { name: 'Bram', grams: { stew: 300 }, keep: 'freezer' },
      { name: 'Tilde', grams: { stew: 200 }, keep: 'tonight' },
    ],
  });
  expect(singles.map(({ number, at, label }) => [number, at, label.name, label.keepWords])).toEqual([
    [1, 0, 'Tilde', 'Use by'],
    [2, 0, 'Tilde', 'Use by'],
    [3, 1, 'Bram', 'Freeze, eat by'],
    [4, 2, 'Tilde', 'Eat today'],
  ]);
  expect(singles[2]?.keeping).toEqual({ useBy: '2027-01-20', thawBy: '2027-01-19', unexplained: false });
  expect(singles[0]?.label.link).toBe('http://kitchen/batches/pot?batch=b');
  expect(kinds.map(({ kind, figures }) => [kind.name, kind.count, figures.nutrients.energyKcal.amount])).toEqual([
    ['Tilde', 3, 60],
    ['Bram', 1, 90],
  ]);
});

test('a batch that cannot be added up says why', () => {
  const circle = recipeOf(part('stew', 1000, { lines: [{ recipe: 'pot', part: 'stew', amount: 10, unit: 'g' }] }));
  const found = portioned({ id: 'b', recipe: 'pot', date: '2026-11-20' }, [], kitchenOf(circle));
  expect(found.ok ? '' : found.because).toMatch(/stew/);
});

test('a name that is free is a letter that nobody has; entries without boxes are not kept', () => {
  const named = (name: string) => ({ name, grams: {} });
  expect(freeName([])).toBe('A');
  expect(freeName([named('A'), named('C')])).toBe('B');
  expect(freeName(Array.from({ length: 26 }, (_, i) => named(String.fromCharCode(65 + i))))).toBe('Box 27');
  expect(soundBoxes([{ ...named('A'), count: 0 }, named('B')])).toEqual([named('B')]);
});
