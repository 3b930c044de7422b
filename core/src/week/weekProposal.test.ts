import fc from 'fast-check';
import { testSearch } from '../../test/testSolver.js';
import type { Solve } from '../fit/index.js';
import type { Target } from '../recipe/index.js';
import { lastDay, whenceOn, type BoxPool } from './boxPool.js';
import { mealsOf, type Person } from './person.js';
import { dayAfter, daysOfWeek, isOff, poolKey, type PlannedMeal, type Week } from './week.js';
import { dayFigures, poolsByKey } from './weekDay.js';
import { givenOf, weekSeen, type WeekGround } from './weekNotes.js';
import { weekMisses } from './weekMisses.js';
import { proposeWeek } from './weekProposal.js';

let solve: Solve;
beforeAll(async () => {
  solve = await testSearch(20);
});

const FROM = '2031-03-10';
const pool = (dish: number, over: Partial<BoxPool> = {}): BoxPool => ({
  ...{ key: JSON.stringify(['prep', dish]), box: { session: 'prep', dish }, recipe: `r${dish}`, title: `Dish ${dish}` },
  ...{ count: 2, cooked: '2031-03-09', planned: true, fridgeUntil: '2031-03-11', freezerUntil: '2031-06-09', because: 'UK guideline' },
  contents: [{ figures: { energyKcal: { amount: 500 }, protein: { amount: 20 } } }],
  ...over,
});
const energy = (amount: number, is: Target['is'] = 'at least'): Target => ({ figure: 'energyKcal', is, amount });
const groundOf = (people: readonly Person[], pools: readonly BoxPool[], over: Partial<WeekGround> = {}): WeekGround => ({
  ...{ people, pools, others: [], gone: [], today: '2031-03-09' },
  ...over,
});
const offBut = (person: string, ...days: string[]) =>
  daysOfWeek({ from: FROM })
    .filter((date) => !days.includes(date))
    .map((date) => ({ person, date }));
const week = (over: Partial<Week> = {}): Week => ({ id: 'w', from: FROM, meals: [], ...over });

/** Some days, people and pools: few enough that every week of them can be tried. */
const anyProblem = fc.record({
  pools: fc.array(
    fc.record({
      recipe: fc.constantFrom('r1', 'r2'),
      count: fc.integer({ min: 1, max: 2 }),
      cooked: fc.constantFrom('2031-03-08', '2031-03-09', '2031-03-10'),
      fridge: fc.integer({ min: 0, max: 2 }),
      freezes: fc.boolean(),
      energy: fc.constantFrom(200, 350, 500, 700),
      salt: fc.constantFrom(1, 2, 3),
      name: fc.constantFrom(undefined, undefined, 'Ann', 'Bo'),
    }),
    { minLength: 1, maxLength: 3 },
  ),
  repeats: fc.boolean(),
  late: fc.constantFrom('if needed' as const, 'always' as const),
  least: fc.constantFrom(400, 600, 900),
  most: fc.constantFrom(2, 4, 6),
  fixed: fc.boolean(),
});
type Drawn = typeof anyProblem extends fc.Arbitrary<infer T> ? T : never;

function problemOf({ pools, repeats, late, least, most, fixed }: Drawn): { readonly week: Week; readonly ground: WeekGround } {
  const people: Person[] = [
    {
      ...{ id: 'ann', name: 'Ann', targets: [energy(least), { figure: 'salt', is: 'at most', amount: most }] },
      meals: [
        { meal: 'main', repeats },
        { meal: 'late', when: late },
      ],
    },
    { id: 'bo', name: 'Bo', targets: [energy(500)], meals: [{ meal: 'main' }] },
  ];
  const ground = groundOf(
    people,
    pools.map(({ recipe, count, cooked, fridge, freezes, energy: kcal, salt, name }, i) =>
      pool(i + 1, {
        ...{ recipe, count, cooked, fridgeUntil: dayAfter(cooked, fridge) },
        ...(freezes ? {} : { freezerUntil: undefined as never }),
        ...(name === undefined ? {} : { name }),
        contents: [{ figures: { energyKcal: { amount: kcal }, salt: { amount: salt } } }],
      }),
    ),
  );
  const [first] = ground.pools;
  const meals: PlannedMeal[] =
    fixed && first && typeof whenceOn(first, '2031-03-10', 'main') === 'string' && first.name !== 'Bo'
      ? [{ person: 'ann', date: '2031-03-10', meal: 'main', box: first.box }]
      : [];
  return { week: week({ meals, off: [...offBut('ann', '2031-03-10', '2031-03-11'), ...offBut('bo', '2031-03-11')] }), ground };
}

/** Points of a filled week, written anew from what docs say is weighed. */
function pointsOf({ meals, off = [] }: Week, before: Week, { people, pools }: WeekGround): number {
  const byKey = poolsByKey(pools);
  let points = 0;
  for (const person of people)
    for (const date of daysOfWeek({ from: FROM })) {
      if (isOff({ off }, person.id, date)) continue;
      const own = meals.filter((one) => one.person === person.id && one.date === date);
      // A day to which nothing could be given has no say in what is given.
      for (const { target, amount = 0 } of dayFigures(own, person, byKey).judgements) {
        const missed = target.is === 'at most' ? amount - target.amount : target.amount - amount;
        points += (1000 * Math.max(0, missed)) / target.amount;
      }
      for (const { meal, when } of mealsOf(person)) if (when !== 'if needed' && !own.some((one) => one.meal === meal)) points += 300;
    }
  for (const meal of meals) {
    if (before.meals.includes(meal)) continue;
    const its = byKey.get(poolKey(meal.box)) as BoxPool;
    const person = people.find(({ id }) => id === meal.person) as Person;
    const until = lastDay(its);
    const keeps = Math.min(120, Math.max(0, (Date.parse(until) - Date.parse(FROM)) / 86_400_000));
    points += mealsOf(person).find((one) => one.meal === meal.meal)?.when === 'if needed' ? 3 : 0;
    points += whenceOn(its, meal.date, meal.meal) === 'freezer' ? 0.4 : 0;
    points += keeps / 120 - (until <= '2031-03-16' ? 2.5 : 0);
  }
  return points;
}

/** Every week that breaks no rule, one meal after the other. */
function leastPoints(before: Week, ground: WeekGround): number {
  const slots = ground.people.flatMap((person) =>
    daysOfWeek(before)
      .filter((date) => !isOff(before, person.id, date))
      .flatMap((date) => mealsOf(person).map(({ meal }) => ({ person: person.id, date, meal }))),
  );
  const free = slots.filter(
    (slot) => !before.meals.some((one) => one.person === slot.person && one.date === slot.date && one.meal === slot.meal),
  );
  let least = Infinity;
  const fill = (i: number, meals: readonly PlannedMeal[]) => {
    const slot = free[i];
    const now = { ...before, meals };
    if (!slot) {
      least = Math.min(least, pointsOf(now, before, ground));
      return;
    }
    fill(i + 1, meals);
    for (const { box } of ground.pools) {
      const next = { ...before, meals: [...meals, { ...slot, box }] };
      if (weekSeen(next, ground).every(({ notes }) => notes.every(({ kind }) => kind === 'out of order'))) fill(i + 1, next.meals);
    }
  };
  fill(0, before.meals);
  return least;
}

test('what is proposed breaks no rule, and no week of those boxes is better', () => {
  fc.assert(
    fc.property(anyProblem, (drawn) => {
      const { week: before, ground } = problemOf(drawn);
      const { meals, proven } = proposeWeek(before, ground, solve);
      const after = { ...before, meals: [...before.meals, ...meals.map((one) => one.meal)] };
      expect(proven).toBe(true);
      expect(after.meals.slice(0, before.meals.length)).toEqual(before.meals);
      expect(weekSeen(after, ground).flatMap(({ notes }) => notes.filter(({ kind }) => kind !== 'out of order'))).toEqual([]);
      // The gap that is allowed, and no more.
      expect(pointsOf(after, before, ground) - leastPoints(before, ground)).toBeLessThan(0.31);
    }),
    { numRuns: 60 },
  );
});

test('boxes of one dish are eaten in the order of their days', () => {
  const ann: Person = { id: 'ann', name: 'Ann', meals: [{ meal: 'main', repeats: true }] };
  const pools = [
    pool(1, { recipe: 'r', fridgeUntil: '2031-03-13', freezerUntil: '2031-05-01', count: 1 }),
    pool(2, { recipe: 'r', fridgeUntil: '2031-03-13', freezerUntil: '2031-04-01', count: 1 }),
  ];
  const { meals } = proposeWeek(week({ off: offBut('ann', '2031-03-11', '2031-03-12') }), groundOf([ann], pools), solve);
  expect(meals.map(({ meal, pool: of }) => [meal.date, of.key])).toEqual([
    ['2031-03-11', '["prep",2]'],
    ['2031-03-12', '["prep",1]'],
  ]);
});

test('nothing is proposed for days that are over, nor frozen boxes for today', () => {
  const ann: Person = { id: 'ann', name: 'Ann', meals: [{ meal: 'main', repeats: true }] };
  const frozen = pool(1, { keep: 'freezer', fridgeUntil: undefined as never, count: 9, cooked: '2031-03-01' });
  const { meals } = proposeWeek(week(), groundOf([ann], [frozen], { today: '2031-03-13' }), solve);
  expect(meals.map(({ meal }) => meal.date)).toEqual(['2031-03-14', '2031-03-15', '2031-03-16']);
});

test('what other weeks and people have said is gone is not given again', () => {
  const ann: Person = { id: 'ann', name: 'Ann', meals: [{ meal: 'main', repeats: true }] };
  const ground = groundOf([ann], [pool(1, { count: 4 })], {
    others: [{ person: 'ann', date: '2031-03-17', meal: 'main', box: { session: 'prep', dish: 1 } }],
    gone: [{ box: { session: 'prep', dish: 1 }, count: 1 }],
  });
  expect(proposeWeek(week(), ground, solve).meals).toHaveLength(2);
});

test('one pot is seasoned another way each day where that is wished', () => {
  const ann: Person = { id: 'ann', name: 'Ann', meals: [{ meal: 'main' }] };
  const contents = [{ figures: {} }, { variant: 'hot', figures: {} }, { variant: 'mild', figures: {} }];
  const ground = groundOf([ann], [pool(1, { count: 2, contents })]);
  const days = week({ off: offBut('ann', '2031-03-10', '2031-03-11') });
  expect(proposeWeek(days, ground, solve).meals).toHaveLength(1);
  const { meals } = proposeWeek({ ...days, seasoned: [{ session: 'prep', dish: 1, variants: ['hot'] }] }, ground, solve);
  expect(meals.map(({ meal }) => ('session' in meal.box ? (meal.box.variant ?? 'plain') : '')).sort()).toEqual(['hot', 'plain']);
});

test('what cannot be met is told with what would do, and what that would break', () => {
  const ann: Person = { id: 'ann', name: 'Ann', targets: [energy(900)], meals: [{ meal: 'main' }, { meal: 'late', when: 'if needed' }] };
  const ground = groundOf([ann], [pool(1), pool(2, { count: 1, recipe: 'r2' })]);
  const meals = [{ person: 'ann', date: '2031-03-11', meal: 'main' as const, box: { session: 'prep', dish: 1 } }];
  const off = offBut('ann', '2031-03-11');
  const [miss] = weekMisses(week({ meals, off }), ground);
  expect(miss?.judgement).toMatchObject({ amount: 500, margin: -400, verdict: 'missed' });
  expect(miss?.ways[0]).toMatchObject({ meal: { meal: 'late', box: { dish: 2 } }, loosened: 'none', breaks: [] });
  // Without the other dish only the same again would do.
  const [alone] = weekMisses(week({ meals, off }), { ...ground, pools: [pool(1)] });
  expect(alone?.ways.map(({ meal, loosened }) => [meal.meal, loosened])).toEqual([
    ['late', 'again'],
    ['before', 'no such meal'],
  ]);
  const salty: Person = { ...ann, targets: [energy(900), { figure: 'salt', is: 'at most', amount: 3 }] };
  const salt = { figures: { energyKcal: { amount: 500 }, salt: { amount: 2 } } };
  const [dear] = weekMisses(week({ meals, off }), groundOf([salty], [pool(1, { contents: [salt] }), pool(2, { contents: [salt] })]));
  expect(dear?.ways[0]?.breaks.map(({ target }) => target.figure)).toEqual(['salt']);
});

test('a meal of every day that has no box is told; one that is not needed is not', () => {
  const ann: Person = { id: 'ann', name: 'Ann', meals: [{ meal: 'main' }, { meal: 'late', when: 'if needed' }] };
  const misses = weekMisses(week({ off: offBut('ann', '2031-03-11') }), groundOf([ann], []));
  expect(misses).toEqual([{ person: 'ann', date: '2031-03-11', meal: 'main', ways: [] }]);
  // Today is still to be mended, yesterday is over.
  const on = (today: string) => weekMisses(week({ off: offBut('ann', '2031-03-11') }), groundOf([ann], [], { today })).length;
  expect([on('2031-03-11'), on('2031-03-12')]).toEqual([1, 0]);
});

test('boxes that nobody is given and that end with the week are told', () => {
  const ann: Person = { id: 'ann', name: 'Ann', meals: [{ meal: 'main', repeats: true }] };
  const fresh = pool(1, { count: 5, freezerUntil: undefined as never });
  const { wasted } = proposeWeek(week(), groundOf([ann], [fresh]), solve);
  expect(wasted.map(({ count }) => count)).toEqual([3]);
  expect(givenOf([], [{ box: fresh.box, count: 2 }]).get(fresh.key)).toBe(2);
});
