// How near plans of a session come to their bound in two seconds, how soon the first is there, how soon one follows a moved step; and
// what a shopping list takes.
import { candidatePacks, cheapestShops, planProblem, PlanSearch } from '../dist/index.js';
import Big from 'big.js';
import { drawsOf, sessionMade } from '../test/sessionsMade.mjs';

const SECONDS = 2;
const LONGER = 15;
const CLOSE = 1.05;

const quantile = (values, share) => [...values].sort((a, b) => a - b)[Math.floor(share * (values.length - 1))] ?? Number.NaN;
const recipeOf = (kitchen) => (id) => kitchen.recipes.find((recipe) => recipe.id === id);
const searchFor = (search, seconds) => {
  const until = performance.now() + seconds * 1000;
  while (!search.finished && performance.now() < until) search.goOn();
  return search;
};

for (const [dishes, steps, many] of [
  [4, 6, 50],
  [6, 8, 50],
  [8, 10, 50],
  [12, 10, 10],
]) {
  const [ratios, firsts, known] = [[], [], []];
  let proven = 0;
  for (let seed = 0; seed < many; seed++) {
    const { kitchen, now } = sessionMade(1000 + seed, { dishes, steps, longest: 30, exact: true });
    const problem = planProblem(kitchen.sessions[0], recipeOf(kitchen), now);
    const from = performance.now();
    const search = new PlanSearch(problem, 1);
    firsts.push(performance.now() - from);
    searchFor(search, SECONDS - (performance.now() - from) / 1000);
    const { minutes, late } = search.best;
    const ratio = minutes / search.bound;
    ratios.push(ratio);
    if (search.bound >= minutes) proven++;
    // Where the bound says little, what a longer search from another seed finds says more.
    if (ratio > CLOSE) {
      const other = searchFor(new PlanSearch(problem, 2), LONGER).best;
      if (other.late === late) known.push(minutes / Math.min(minutes, other.minutes));
    }
  }
  console.log(
    `${many} sessions of ${dishes} x ${steps} steps, ${SECONDS} s each: over their bound ${quantile(ratios, 0.5).toFixed(3)} median, ${quantile(ratios, 0.95).toFixed(3)} at 95 %, ${quantile(ratios, 1).toFixed(3)} at most; ${proven} proven; ` +
      `${known.length} over ${CLOSE}${known.length > 0 ? `, those over the best of ${LONGER} s ${quantile(known, 1).toFixed(3)} at most` : ''}; first plan ${quantile(firsts, 0.5).toFixed(0)} ms median, ${quantile(firsts, 1).toFixed(0)} ms at most`,
  );
}

// A step is moved, and everything follows: until a plan is there that keeps it, or it is known that none does.
const moves = [];
for (let seed = 0; seed < 60; seed++) {
  const { kitchen } = sessionMade(2000 + seed, { dishes: 4, steps: 6, longest: 30, exact: true });
  const { done: _, ...session } = kitchen.sessions[0];
  const before = searchFor(new PlanSearch(planProblem(session, recipeOf(kitchen)), 1), 0.2);
  const draw = drawsOf(seed);
  const task = draw(before.ground.tasks.length);
  const { dish, step } = before.ground.tasks[task];
  const start = Math.max(0, before.best.placing.starts[task] + draw(50) - 10);
  const from = performance.now();
  const search = new PlanSearch(planProblem({ ...session, pinned: [{ dish, step, start }] }, recipeOf(kitchen)), 1);
  moves.push(performance.now() - from);
  if (search.best.off > 0) searchFor(search, 0.1);
}
console.log(
  `a step moved, 4 dishes: planned anew in ${quantile(moves, 0.5).toFixed(0)} ms median, ${quantile(moves, 0.95).toFixed(0)} ms at 95 %`,
);

const lists = [];
for (let seed = 0; seed < 20; seed++) {
  const draw = drawsOf(seed + 77);
  const wanted = Array.from({ length: 120 }, (_, i) => {
    const food = { id: `food-${i}`, name: 'Food' };
    const packs = Array.from({ length: 5 }, (__, p) => ({
      food: food.id,
      ...{
        net: 50 * (1 + draw(20)),
        unit: 'g',
        price: (1 + draw(400)) / 100,
        currency: 'EUR',
        shop: `Shop ${1 + ((p + draw(4)) % 4)}`,
        seen: '2031-01-01',
      },
    }));
    return { food: food.id, grams: 20 + draw(1500), candidates: candidatePacks(food, packs, { currency: 'EUR', date: '2031-01-02' }) };
  });
  const from = performance.now();
  cheapestShops(wanted, new Big('1.5'));
  lists.push(performance.now() - from);
}
console.log(
  `cheapest packs of 120 foods in 5 packs at 4 shops: ${quantile(lists, 0.5).toFixed(0)} ms median, ${quantile(lists, 1).toFixed(0)} ms at most`,
);
