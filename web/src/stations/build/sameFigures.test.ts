import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Kitchen, readKitchen, recipeFigures, type Line, type LineFigures, type Recipe } from '@portiona/core';
import { COLUMNS } from './columns';
import { comesToTheSame, readsTheSame } from './sameFigures';

const read = readKitchen(JSON.parse(readFileSync(join(__dirname, '../../../../demo/saltmarsh-suppers.json'), 'utf8')), '2026-11-29');
if (!read.ok) throw new Error('the demo kitchen cannot be read');
const { settings, foods, packs, recipes } = read.entry;
const kitchen = new Kitchen({ settings, foods, packs, recipes });
const dish = recipes.find(({ id }) => id === 'smoky-lentil-and-squash-dal') as Recipe;

const linesOf = (recipe: Recipe, of = kitchen) => recipeFigures(recipe, of).parts.flatMap(({ lines }) => lines);
const same = (a: LineFigures | undefined, b: LineFigures | undefined) => readsTheSame(a, b) && comesToTheSame(a, b, COLUMNS, kitchen);
const changed = (change: (line: Line, at: number) => Line): Recipe => ({
  ...dish,
  parts: dish.parts.map((part, p) => (p === 0 ? { ...part, lines: part.lines.map(change) } : part)),
});
/** Lines of the first part that are left as they are after a change. */
function left(recipe: Recipe, of = kitchen): number[] {
  const [before, after] = [linesOf(dish), linesOf(recipe, of)];
  return (dish.parts[0]?.lines ?? []).flatMap((_, i) => (same(before[i], after[i]) ? [i] : []));
}
const all = (dish.parts[0]?.lines ?? []).map((_, i) => i);

test('computed again, every line is the same', () => {
  expect(left(dish)).toEqual(all);
});

test('a line that weighs more is another; the rest are left', () => {
  expect(left(changed((line, i) => (i === 0 ? { ...line, amount: 310 } : line)))).toEqual(all.slice(1));
});

test.each([
  ['is eaten in part', { retained: 0.5 }],
  ['does not count', { optional: true }],
  ['is of another food', { food: 'leek' }],
  ['is of no food', { food: undefined }],
])('a line that %s is another', (_, change) => {
  expect(left(changed((line, i) => (i === 0 ? { ...line, ...change } : line)))).toEqual(all.slice(1));
});

test('other spoons make other lines of all that are measured by spoon', () => {
  const spoons = all.filter((i) => /^(tbsp|tsp|cup)$/.test(dish.parts[0]?.lines[i]?.unit ?? ''));
  expect(spoons.length).toBeGreaterThan(1);
  const stay = left({ ...dish, measures: 'au' });
  expect(spoons.filter((i) => stay.includes(i) && dish.parts[0]?.lines[i]?.unit === 'tbsp')).toEqual([]);
});

test('another price of its food makes a line another, and no other line', () => {
  const food = dish.parts[0]?.lines[0]?.food;
  const dear = new Kitchen({
    settings,
    foods,
    packs: packs.map((pack) => (pack.food === food ? { ...pack, price: `${Number(pack.price) * 2}` as never } : pack)),
    recipes,
  });
  expect(left(dish, dear)).toEqual(all.slice(1));
});

test.each(['purchase', 'edible', 'eaten'] as const)('a line whose weight as %s alone is another is another', (weight) => {
  const figures = linesOf(dish)[0] as LineFigures;
  const other = { ...figures, weights: { ...figures.weights, [weight]: 7 } } as LineFigures;
  expect([readsTheSame(figures, { ...figures }), readsTheSame(figures, other)]).toEqual([true, false]);
});

test('a food that only came to be called otherwise makes a line another: it shows the name', () => {
  const food = dish.parts[0]?.lines[0]?.food;
  const called = new Kitchen({
    settings,
    foods: foods.map((one) => (one.id === food ? { ...one, name: 'Quite another name' } : one)),
    packs,
    recipes,
  });
  expect(left(dish, called)).toEqual(all.slice(1));
});

test('nothing is like something', () => {
  expect(same(undefined, linesOf(dish)[0])).toBe(false);
  expect(same(undefined, undefined)).toBe(true);
});
