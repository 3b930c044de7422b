import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Kitchen, type KitchenContent, type Line, type Recipe } from '../recipe/index.js';
import { kitchenOf, recipeOf } from '../../test/kitchens.js';
import { cardContent } from './cardContent.js';
import { readerCard } from './readerCard.js';

const demo = JSON.parse(readFileSync(join(__dirname, '../../../demo/saltmarsh-suppers.json'), 'utf8')) as KitchenContent;
const kitchen = new Kitchen({
  ...demo,
  settings: { currency: 'EUR', measures: 'metric', rules: 'plain', staples: 'counted', date: '2026-11-25' },
});
const dal = demo.recipes.find(({ id }) => id === 'smoky-lentil-and-squash-dal')!;
const reader = readerCard(dal, kitchen, cardContent(dal, kitchen));
const at = (servings: number, units: 'written' | 'metric' | 'us' = 'written') =>
  reader.sizes[units].find((size) => size.servings === servings)!;

test('a reader has every size up to two dozen, in each way of measuring', () => {
  for (const units of ['written', 'metric', 'us'] as const)
    expect(reader.sizes[units].map(({ servings }) => servings)).toEqual(Array.from({ length: 24 }, (_, i) => i + 1));
});

test('twice as many take twice of everything, and their steps say so', () => {
  expect(at(5).amounts['dal/1']).toEqual(['300 g', '10\u00a0½\u00a0oz']);
  expect(at(10).amounts['dal/1']?.[0]).toBe('600 g');
  expect(at(10).amounts['dal/2']).toEqual(['1,800 g', expect.stringMatching(/buy\u00a02\.25\u00a0kg/)]);
  expect(at(10).mentions).toContain('4 onions');
  expect(at(5).mentions).toContain('2 onions');
  expect(at(10).mentions).toHaveLength(at(5).mentions.length);
  expect(at(10)).toMatchObject({ servingsText: '10 boxes', energy: at(5).energy, weight: at(5).weight });
});

test('in ounces the same lines are in ounces, with what they weigh to go by', () => {
  expect(at(5, 'us').amounts['dal/1']).toEqual(['10 ½ oz', '300\u00a0g']);
  expect(at(5, 'us').grams['dal/1']).toBeCloseTo(297.7, 1);
});

test('a rule that is not in proportion moves the figures of a box, and they are computed, not taken for the same', () => {
  const foods = [{ id: 'x', name: 'X', nutrients: { energyKcal: 100, protein: 10 } }];
  const lines: Line[] = [
    { id: 'base', food: 'x', amount: 400, unit: 'g' },
    { id: 'whole', food: 'x', amount: 200, unit: 'g', scaling: 'fixed' },
  ];
  const recipe = recipeOf(lines, { servings: 4 });
  const own = kitchenOf({ foods });
  const { sizes } = readerCard(recipe, own, cardContent(recipe, own));
  const energy = (servings: number) => sizes.written.find((size) => size.servings === servings)?.energy;
  expect([energy(4), energy(8), energy(2)]).toEqual(['150 kcal', '125 kcal', '200 kcal']);
});

test('what does not fit its pot at once is told at that size, before the method', () => {
  expect(at(5).notes).toEqual([]);
  expect(at(24).notes.join(' ')).toMatch(/Dal: cook in \d batches|Dal: share it/i);
});

test('steps that say amounts in plain words are known: they do not follow', () => {
  // "Weigh it: 2.3 kg. Into each box 462 g dal and 185 g rice."
  expect(reader.plainAmounts).toEqual([3]);
});

test('at its own size the page says what the published card says, whatever would be computed today', () => {
  const card = cardContent(dal, kitchen);
  const published = { ...card, energy: card.energy && { ...card.energy, text: '540' } };
  const { sizes } = readerCard(dal, kitchen, published);
  expect(sizes.written.find(({ servings }) => servings === 5)?.energy).toBe('540 kcal');
  expect(sizes.written.find(({ servings }) => servings === 6)?.energy).toMatch(/^6\d\d kcal$/);
});

test('rules that go round in a circle leave the dish its own size', () => {
  const foods = [{ id: 'x', name: 'X', nutrients: { energyKcal: 100 } }];
  const recipe: Recipe = recipeOf(
    [
      { id: 'one', food: 'x', amount: 100, unit: 'g', scaling: { ratioTo: 'pot/two', share: 1 } },
      { id: 'two', food: 'x', amount: 100, unit: 'g', scaling: { ratioTo: 'pot/one', share: 1 } },
    ],
    { servings: 4 },
  );
  const own = kitchenOf({ foods });
  expect(readerCard(recipe, own, cardContent(recipe, own)).sizes.written.map(({ servings }) => servings)).toEqual([4]);
});
