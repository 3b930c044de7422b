// How long the engine takes for what is asked of it at scale, beside the least that could be asked.
import {
  errorModelOf,
  FIGURE_KEYS,
  groundKept,
  groundToKeep,
  judgementsOn,
  Kitchen,
  NUTRIENTS,
  packMix,
  readKitchen,
  recipeFigures,
  servedOf,
  Simulation,
} from '../dist/index.js';
import { heads, medianOf, row, seeded, timed } from './measure.mjs';

const RECIPES = 10_000;
const LINES = 15;
const FOODS = 500;
const random = seeded(7);
const between = (low, high) => low + random() * (high - low);

const foods = Array.from({ length: FOODS }, (_, i) => ({
  id: `food-${i}`,
  name: `Food ${i}`,
  source: ['lab', 'label', 'table'][i % 3],
  refuse: i % 5 === 0 ? 0.1 : 0,
  density: 1,
  nutrients: Object.fromEntries(NUTRIENTS.filter((nutrient) => nutrient !== 'energyKj').map((nutrient) => [nutrient, between(0, 20)])),
}));
const packs = foods.flatMap(({ id }, i) =>
  [250, 500, 1000].map((net) => ({
    food: id,
    net,
    unit: 'g',
    price: between(1, 9).toFixed(2),
    currency: 'EUR',
    shop: `Shop ${i % 3}`,
    seen: '2026-11-01',
  })),
);
const lineOf = () => ({
  food: `food-${Math.floor(random() * FOODS)}`,
  amount: Math.round(between(1, 400)),
  unit: ['g', 'g', 'g', 'tbsp', 'ml'][Math.floor(random() * 5)],
});
const recipeOf = (id, lines) => ({
  id,
  title: id,
  servings: 5,
  parts: [
    { id: 'one', name: 'One', lines: lines.slice(0, Math.ceil(lines.length / 2)) },
    { id: 'two', name: 'Two', lines: lines.slice(Math.ceil(lines.length / 2)) },
  ],
});
const recipes = Array.from({ length: RECIPES }, (_, i) => recipeOf(`recipe-${i}`, Array.from({ length: LINES }, lineOf)));
const settings = { currency: 'EUR', measures: 'metric', rules: 'plain', staples: 'counted', date: '2026-11-25' };
const kitchen = new Kitchen({ settings, foods, packs, recipes });

heads();
manyRecipes();
oneRecipe();
kitchenFile();
mixOfPacks();
draws();

function manyRecipes() {
  // The floor: the same sums and nothing else.
  const K = 12;
  const at = new Int32Array(RECIPES * LINES);
  const grams = new Float64Array(RECIPES * LINES);
  const perGram = Float64Array.from({ length: FOODS * K }, () => between(0, 0.2));
  const sums = new Float64Array(RECIPES * K);
  recipes.forEach(({ parts }, r) =>
    parts
      .flatMap(({ lines }) => lines)
      .forEach(({ food, amount }, l) => {
        at[r * LINES + l] = Number(food.slice(5));
        grams[r * LINES + l] = amount;
      }),
  );
  const bare = timed(60, () => {
    sums.fill(0);
    for (let r = 0; r < RECIPES; r++)
      for (let l = r * LINES; l < (r + 1) * LINES; l++) {
        const g = grams[l];
        const from = at[l] * K;
        for (let k = 0; k < K; k++) sums[r * K + k] += g * perGram[from + k];
      }
  });
  const traced = timed(3, () => {
    for (const recipe of recipes.slice(0, 1000)) recipeFigures(recipe, kitchen);
  });
  const text = JSON.stringify(recipes.map((recipe) => groundToKeep(recipeFigures(recipe, kitchen), kitchen)));
  const targets = ['energyKcal', 'protein', 'salt', 'usedCost'].map((figure) => ({ figure, is: 'at most', amount: 500 }));
  const judged = timed(5, () => JSON.parse(text).map((kept) => judgementsOn(groundKept(kept), { targets, fridgeDays: 3 })));
  row(`${RECIPES} recipes x ${LINES} lines x ${K} nutrients: bare loop`, bare);
  row('  1,000 of them with their working', traced);
  row('  a brief held against what is kept of each of them', judged);
}

function oneRecipe() {
  const lines = Array.from({ length: 60 }, lineOf);
  const recipe = recipeOf('sixty', lines);
  const edited = (i) => recipeOf('sixty', lines.with(i % 60, { ...lines[i % 60], amount: i + 1 }));
  recipeFigures(recipe, kitchen);
  row(
    '60 lines: every figure with its working, after one edit',
    timed(400, (i) => recipeFigures(edited(i), kitchen)),
  );
}

function kitchenFile() {
  const file = { format: 'portiona/1', settings, foods, packs, recipes: [...recipes] };
  const each = JSON.stringify(recipes).length / RECIPES;
  while (file.recipes.length * each < 20e6)
    file.recipes.push(recipeOf(`more-${file.recipes.length}`, Array.from({ length: LINES }, lineOf)));
  const text = JSON.stringify(file);
  const parsed = timed(5, () => JSON.parse(text));
  const read = timed(3, () => {
    const result = readKitchen(JSON.parse(text), '2026-11-25');
    if (!result.ok) throw new Error(result.faults[0].message);
  });
  row(`kitchen file of ${(text.length / 1e6).toFixed(1)} MB: JSON.parse alone`, parsed);
  row('  read and validated', read, `${(medianOf(read) / medianOf(parsed)).toFixed(1)} x JSON.parse`);
}

function mixOfPacks() {
  const needs = foods.slice(0, 200).map(({ id }) => ({ candidates: kitchen.resolvedFood(id).candidates, need: between(100, 6000) }));
  row(
    'cheapest mix of packs for 200 foods',
    timed(50, () => {
      for (const { need, candidates } of needs) packMix(need, candidates);
    }),
  );
}

function draws() {
  const { parts } = recipeFigures(recipes[0], kitchen);
  const model = errorModelOf(
    parts.filter(({ part }) => servedOf(part) === 'box'),
    ['energyKcal', 'protein'],
  );
  row(
    `100,000 draws of ${LINES} lines, 2 of ${FIGURE_KEYS.length} figures`,
    timed(5, (seed) => {
      const run = new Simulation(model, { seed, draws: 100_000 });
      run.make(100_000);
      return run.distributions();
    }),
  );
}
