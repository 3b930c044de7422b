import type { Recipe } from '../recipe/index.js';
import { planMoves } from './planMoves.js';
import { planProblem } from './planProblem.js';
import { PlanSearch } from './planSearch.js';
import type { Session } from './session.js';
import { sessionPlan } from './sessionPlan.js';
import { standingLong } from './standing.js';
import { criticalChain, whyHere } from './whyHere.js';

const dish = (id: string, ...steps: NonNullable<Recipe['steps']>): Recipe => ({
  id,
  title: id,
  servings: 4,
  parts: [{ id: 'pot', name: 'Pot', lines: [] }],
  steps,
});

function planned(recipes: readonly Recipe[], session: Partial<Session> = {}, now = 0) {
  const whole = { id: 's', date: '2031-05-04', dishes: recipes.map(({ id }) => ({ recipe: id })), ...session };
  const problem = planProblem(whole, (id) => recipes.find((recipe) => recipe.id === id)!, now);
  const search = new PlanSearch(problem, 1);
  for (let slice = 0; slice < 200 && !search.finished; slice++) search.goOn();
  const plan = sessionPlan(search);
  return { problem, plan, start: (d: number, s: number) => plan.steps.find((one) => one.dish === d && one.step === s)!.start, search };
}

const stew = dish('stew', { text: 'Chop.', minutes: 10, uses: [] }, { text: 'Simmer.', minutes: 40, hands: 0, uses: ['hob'] });
const rice = dish('rice', { text: 'Rinse.', minutes: 3, uses: [] }, { text: 'Cook.', minutes: 15, hands: 0, uses: ['hob'] });

test('a step says what holds it: what comes before, the cook, the place', () => {
  const { problem, plan, start } = planned([stew, rice]);
  // Rinsing first puts the rice on at 3, to 18, before the stew is chopped at 13: the ring is free for it at 18 only, so 58.
  expect(plan.minutes).toBe(Math.min(3 + 15 + 40, 10 + 40 + 15));
  expect(whyHere(problem, plan, { dish: 1, step: 2 })).toEqual([
    { is: 'after', of: { dish: 1, step: 1 } },
    { is: 'place', name: 'hob', of: { dish: 2, step: 2 } },
  ]);
  // Chopped just before it is wanted, though it could be done sooner: it is not what the end hangs on.
  expect(whyHere(problem, plan, { dish: 1, step: 1 })).toEqual([{ is: 'free', sooner: 5 }]);
  expect(whyHere(problem, plan, { dish: 2, step: 2 })).toEqual([{ is: 'after', of: { dish: 2, step: 1 } }]);
  expect(whyHere(problem, plan, { dish: 2, step: 1 })).toEqual([{ is: 'first' }]);
  expect(start(2, 1)).toBe(0);
  expect(criticalChain(problem, plan)).toEqual([
    { dish: 2, step: 1 },
    { dish: 2, step: 2 },
    { dish: 1, step: 2 },
  ]);
});

test('a cook who is bound, what follows and may not wait, and what is free', () => {
  const bread = dish(
    'bread',
    { text: 'Bake.', minutes: 20, hands: 0, uses: ['oven'] },
    { text: 'Slice.', minutes: 5, uses: [], within: 0 },
  );
  const long = dish('long', { text: 'Knead.', minutes: 30, uses: [] });
  const { problem, plan } = planned([bread, long]);
  expect(plan.minutes).toBe(35);
  expect(whyHere(problem, plan, { dish: 1, step: 1 })).toEqual([{ is: 'holds', of: { dish: 1, step: 2 } }]);
  expect(whyHere(problem, plan, { dish: 1, step: 2 })).toEqual([
    { is: 'after', of: { dish: 1, step: 1 } },
    { is: 'cook', of: { dish: 2, step: 1 } },
  ]);
  const salad = dish('salad', { text: 'Leave to stand.', minutes: 5, hands: 0, uses: ['bowl'] });
  const two = planned([long, salad]);
  // It is ready with the other, though it could be ready long before.
  expect(whyHere(two.problem, two.plan, { dish: 2, step: 1 })).toEqual([{ is: 'free', sooner: 25 }]);
});

test('a step put somewhere by hand starts just then, or as soon after as it can', () => {
  const at = (start: number) => planned([stew, rice], { pinned: [{ dish: 2, step: 2, start }] });
  const kept = at(60);
  expect([kept.start(2, 2), kept.search.best.off]).toEqual([60, 0]);
  expect(whyHere(kept.problem, kept.plan, { dish: 2, step: 2 })).toEqual([{ is: 'pinned' }]);
  const early = at(1);
  expect([early.start(2, 2), early.search.best.off]).toEqual([3, 2]);
});

test('running late: what is done stays, the rest follows, and what moved is told', () => {
  const before = planned([stew, rice]);
  const done = [
    { dish: 2, step: 1, start: 0, end: 9 },
    { dish: 2, step: 2, start: 9 },
  ];
  const after = planned([stew, rice], { done }, 12);
  expect([after.start(2, 2), after.start(1, 1), after.start(1, 2)]).toEqual([9, 14, 24]);
  expect(planMoves(before.plan, after.plan)).toEqual([
    { dish: 2, step: 2, from: 3, to: 9 },
    { dish: 1, step: 1, from: 8, to: 14 },
    { dish: 1, step: 2, from: 18, to: 24 },
  ]);
  expect(whyHere(after.problem, after.plan, { dish: 2, step: 1 })).toEqual([{ is: 'done' }]);
});

test('what stands cooked for long before it is gone on with is told', () => {
  const pot = dish(
    'pot',
    { text: 'Simmer.', minutes: 20, hands: 0, uses: ['hob'] },
    { text: 'Into boxes.', minutes: 5, uses: ['table'], after: [1] },
    { text: 'Label.', minutes: 5, uses: [], after: [2] },
  );
  const steps = (start: number) => [
    { dish: 1, recipe: 'pot', step: 1, start: 0, end: 20, hands: 0, cook: null, on: [{ name: 'hob', unit: 1, at: null }] },
    { dish: 1, recipe: 'pot', step: 2, start, end: start + 5, hands: 0, cook: null, on: [{ name: 'table', unit: 1, at: null }] },
    { dish: 1, recipe: 'pot', step: 3, start: start + 200, end: start + 205, hands: 5, cook: 1, on: [] },
  ];
  const problem = planProblem({ id: 's', date: '2031-05-04', dishes: [{ recipe: 'pot' }] }, () => pot);
  expect(standingLong(problem, { steps: steps(110) })).toEqual([]);
  expect(standingLong(problem, { steps: steps(111) })).toEqual([{ dish: 1, step: 2, after: { dish: 1, step: 1 }, minutes: 91 }]);
});

test('what is said of one session alone goes before what its recipe says, and what is past cannot be wanted any more', () => {
  const early = planned([rice], { pinned: [{ dish: 1, step: 1, start: 2 }] }, 10);
  expect([early.start(1, 1), early.search.best.off]).toEqual([10, 0]);
  // Chopped early and left, if it may; with no wait allowed it is chopped just before.
  const own = planned([stew], { adjusted: [{ dish: 1, step: 2, minutes: 7, hands: 3, uses: ['oven'], within: 4 }] });
  const [, second] = own.problem.tasks;
  expect(second).toMatchObject({ length: 7, hands: 3, within: 4 });
  expect(own.problem.kinds.map(({ name }) => name)).toContain('oven');
});
