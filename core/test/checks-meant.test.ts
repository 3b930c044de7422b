import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { checkedRecipe, Kitchen, readKitchen, recipeFigures, shownFigure, type Finding } from '../src/index.js';
import { CORPUS_PARTS, corpusCases, scoreOf, shareFigures, type ShareFigures } from './checksCorpus.mjs';
import { starterFoods } from './starterPantry.js';

const kitchenOf = (file: unknown) => {
  const read = readKitchen(file, '2026-06-01');
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return { kitchen: new Kitchen(read.entry), recipes: read.entry.recipes };
};
const openIn = (file: unknown): readonly Finding[] => {
  const { kitchen, recipes } = kitchenOf(file);
  return recipes.flatMap((recipe) => checkedRecipe(recipe, kitchen).open);
};
function figuresOf(file: object): ShareFigures {
  const { kitchen, recipes } = kitchenOf(file);
  const { nutrients, usedCost } = recipeFigures(recipes[0]!, kitchen).perServing;
  return shareFigures((figure) => shownFigure(figure, nutrients, kitchen.convention).amount ?? 0, usedCost.amount ?? 0);
}

test.each(CORPUS_PARTS)('the %s part: every planted fault is found at its place, and nothing where nothing is', (part) => {
  const cases = corpusCases(part, starterFoods, figuresOf);
  const { misses, ...score } = scoreOf(cases, ({ kitchen }) => openIn(kitchen));
  console.log(`check, ${part} part: ${JSON.stringify(score)}`);
  expect(score.faults).toBeGreaterThan(60);
  expect(score.clean).toBeGreaterThan(6);
  const told = misses
    .filter(({ kind }) => kind !== 'beside')
    .map(({ kind, one, found }) => `${kind}: ${one.dish} | ${one.change} | ${found.map(({ code, at }) => `${code} ${at}`).join(', ')}`);
  expect(told).toEqual([]);
});

test.each(CORPUS_PARTS)(
  'the %s part: with every food of the starter pantry at hand, nothing clean names one that is not listed',
  (part) => {
    for (const { dish, change, kitchen } of corpusCases(part, starterFoods, figuresOf).filter(({ kind }) => kind === 'clean')) {
      const own = kitchen as { foods: { id: string }[] };
      const there = new Set(own.foods.map(({ id }) => id));
      const all = { ...kitchen, foods: [...own.foods, ...starterFoods.filter(({ id }) => !there.has(id))] };
      expect(openIn(all).map(({ at, message }) => `${dish} | ${change} | ${at} ${message}`)).toEqual([]);
    }
  },
);

const GIVEN = join(__dirname, 'cases/checks');
const names = readdirSync(GIVEN)
  .filter((name) => name.endsWith('.expected.json'))
  .map((name) => name.replace('.expected.json', ''));
const json = (name: string) => JSON.parse(readFileSync(join(GIVEN, name), 'utf8')) as unknown;

test.each(names)('%s: found is what is expected, and no more', (name) => {
  const { expect: wanted, allow } = json(`${name}.expected.json`) as { expect: { code: string; at: string }[]; allow: string[] };
  const found = openIn(json(`${name}.json`)).filter(({ code }) => !allow.includes(code));
  expect(found.map(({ code, at }) => ({ code, at }))).toEqual(wanted);
});
