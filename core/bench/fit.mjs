// Makes dishes of 40 lines fit briefs of 10 targets, pieces whole, many times over; prints how long each answer took.
import { readdirSync, readFileSync } from 'node:fs';
import loadHighs from 'highs';
import { briefJudgements, fitRecipe, Kitchen, Programme, recipeFigures, solveWith } from '../dist/index.js';

const root = new URL('../..', import.meta.url);
const files = readdirSync(new URL('pantry', root)).filter((name) => name.endsWith('.json'));
const foods = files.flatMap((name) => JSON.parse(readFileSync(new URL(`pantry/${name}`, root), 'utf8')).foods);
const whole = foods.filter(({ nutrients }) =>
  ['energyKcal', 'protein', 'fat', 'carbohydrate', 'saturates', 'fibre', 'sugars'].every((one) => nutrients?.[one] !== undefined),
);
const packs = whole.map(({ id }, i) => ({
  food: id,
  net: 500,
  unit: 'g',
  price: ((i % 40) / 5 + 1).toFixed(2),
  currency: 'EUR',
  shop: 'Shop',
  seen: '2031-03-01',
}));
const settings = { currency: 'EUR', measures: 'metric', rules: 'plain', staples: 'counted', date: '2031-03-10' };
const kitchen = new Kitchen({ settings, foods: whole, packs, recipes: [] });
const solve = solveWith(await loadHighs());
// As the page does: a small programme first, so that compiling the solver is in no answer.
const small = new Programme();
small.row(
  [
    [small.variable('x', 0, 5, { cost: 1, whole: true }), 1],
    [small.variable('y', 0, 9, { cost: 1 }), 2],
  ],
  '>=',
  3,
);
solve(small.text());

/** Seeded, so that every run measures the same dishes. */
let seed = 7;
const random = () => (seed = (seed * 1103515245 + 12345) % 2147483648) / 2147483648;
const pick = (list) => list[Math.floor(random() * list.length)];
const counted = whole.filter(({ measures }) => measures && Object.keys(measures).length > 0);

function dish() {
  const lines = Array.from({ length: 40 }, (_, i) => {
    const food = i % 4 === 0 ? pick(counted) : pick(whole);
    const measure = i % 4 === 0 ? Object.keys(food.measures)[0] : undefined;
    return measure
      ? { food: food.id, amount: 1 + Math.floor(random() * 8), unit: measure, method: 'count' }
      : { food: food.id, amount: 5 + Math.round(random() * 300), unit: 'g', method: 'scale' };
  });
  const parts = [0, 1, 2, 3].map((p) => ({ id: `p${p}`, name: `Part ${p}`, lines: lines.slice(p * 10, p * 10 + 10) }));
  return { id: 'dish', title: 'Dish', servings: 8, parts };
}

const KINDS = [
  ['energyKcal', 'at most'],
  ['protein', 'at least'],
  ['fat', 'at most'],
  ['saturates', 'at most'],
  ['carbohydrate', 'about'],
  ['sugars', 'at most'],
  ['fibre', 'at least'],
  ['salt', 'at most'],
  ['usedCost', 'at most'],
  ['weight', 'about'],
];

function briefFor(recipe, tightness) {
  const now = briefJudgements(
    recipeFigures(recipe, kitchen),
    { targets: KINDS.map(([figure, is]) => ({ figure, is, amount: 1 })) },
    kitchen,
  );
  const targets = KINDS.map(([figure, is], i) => {
    const by = 1 + tightness * random();
    const amount = Math.max(0.01, (now[i].amount ?? 1) * (is === 'at least' ? by : is === 'at most' ? 1 / by : 2 - by));
    return { figure, is, amount, ...(is === 'about' ? { within: 0.1 } : {}), ...(i > 7 ? { wish: true } : {}) };
  });
  return { targets };
}

const WARM = 20;
const times = { proposal: [], conflict: [], holds: [] };
for (let i = 0; i < WARM + 120; i++) {
  const recipe = dish();
  const brief = briefFor(recipe, i % 4 === 3 ? 0.9 : 0.2);
  const start = performance.now();
  const answer = fitRecipe(recipe, brief, kitchen, solve);
  const taken = performance.now() - start;
  if (i === 0) console.log(`make it fit: the first answer, solver just loaded and warmed: ${taken.toFixed(0)} ms`);
  // The first few are before the engine and the solver are compiled to the full.
  if (i >= WARM) times[answer.kind].push(taken);
}
const at = (list, share) => [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * share))];
const all = Object.values(times).flat();
for (const [kind, list] of [...Object.entries(times), ['all', all]])
  if (list.length > 0)
    console.log(
      `make it fit, 40 lines, 10 targets, 10 lines whole: ${kind} (${list.length}) median ${at(list, 0.5).toFixed(0)} ms, 95 % within ${at(list, 0.95).toFixed(0)} ms`,
    );
