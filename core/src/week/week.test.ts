import { kitchenOf, recipeOf } from '../../test/kitchens.js';
import type { Batch } from '../batch/index.js';
import type { Session } from '../plan/index.js';
import type { Target } from '../recipe/index.js';
import { boxesAtHand } from './boxPools.js';
import { contentOf, whenceOn, type BoxContent, type BoxPool } from './boxPool.js';
import { mealsOf, type Person } from './person.js';
import type { PlannedMeal, Week } from './week.js';
import { dayFigures, poolsByKey } from './weekDay.js';
import { weekSeen, type WeekGround } from './weekNotes.js';
import { eveningsFrom, freezesOn, shelvesOn, thawsOn } from './weekShelves.js';

const content = (energyKcal: number, uncertain = 0, over: Partial<BoxContent['figures']> = {}): BoxContent => ({
  figures: { energyKcal: { amount: energyKcal, uncertain }, usedCost: { amount: 2 }, ...over },
});
const pool = (dish: number, over: Partial<BoxPool> = {}): BoxPool => ({
  ...{ key: JSON.stringify(['prep', dish]), box: { session: 'prep', dish }, recipe: `r${dish}`, title: `Dish ${dish}` },
  ...{ count: 4, cooked: '2031-03-09', planned: true, fridgeUntil: '2031-03-11', freezerUntil: '2031-06-09', because: 'UK guideline' },
  contents: [content(500)],
  ...over,
});
const meal = (date: string, dish: number, over: Partial<PlannedMeal> = {}): PlannedMeal => ({
  ...{ person: 'ann', date, meal: 'main', box: { session: 'prep', dish } },
  ...over,
});
const ann: Person = { id: 'ann', name: 'Ann' };
const week = (over: Partial<Week> = {}): Week => ({ id: 'w', from: '2031-03-10', meals: [], ...over });
const groundOf = (pools: readonly BoxPool[], over: Partial<WeekGround> = {}): WeekGround => ({
  ...{ people: [ann], pools, others: [], gone: [], today: '2031-03-09' },
  ...over,
});

test.each([
  ['2031-03-08', 'main', 'not cooked yet'],
  ['2031-03-09', 'before', 'not cooked yet'],
  ['2031-03-09', 'late', 'fridge'],
  ['2031-03-11', 'before', 'fridge'],
  ['2031-03-12', 'before', 'freezer'],
  ['2031-06-09', 'main', 'freezer'],
  ['2031-06-10', 'main', 'past its day'],
] as const)('a box cooked on the 9th is on %s at %s: %s', (date, at, expected) => {
  const whence = whenceOn(pool(1), date, at);
  expect(typeof whence === 'string' ? whence : whence.not).toBe(expected);
});

test('what is cooked after noon is there late only, that day', () => {
  const evening = pool(1, { afternoon: true });
  expect(whenceOn(evening, '2031-03-09', 'main')).toEqual({ not: 'not cooked yet' });
  expect([whenceOn(evening, '2031-03-09', 'late'), whenceOn(evening, '2031-03-10', 'main')]).toEqual(['fridge', 'fridge']);
  const made = (start: string) => boxesAtHand([], [{ ...session, start }], kitchen, '2031-03-09').pools[0]?.afternoon;
  expect([made('11:59'), made('12:00')]).toEqual([undefined, true]);
});

test('what keeps no day in the fridge is frozen one night and thaws the next; what does not freeze is past its day', () => {
  const tonight = pool(1, { fridgeUntil: '2031-03-09' });
  expect(whenceOn(tonight, '2031-03-10', 'main')).toEqual({ not: 'not frozen long enough' });
  expect(whenceOn(tonight, '2031-03-11', 'main')).toBe('freezer');
  const { freezerUntil: _, ...fresh } = pool(1);
  expect(whenceOn(fresh, '2031-03-12', 'main')).toEqual({ not: 'past its day' });
  expect(whenceOn(pool(1, { keep: 'tonight' }), '2031-03-10', 'main')).toEqual({ not: 'only that evening' });
  const { fridgeUntil: __, ...frozen } = pool(1, { keep: 'freezer' });
  expect(whenceOn(frozen, '2031-03-10', 'main')).toEqual({ not: 'not frozen long enough' });
});

test('a day adds its boxes up; one pot shares its error, two pots add in squares', () => {
  const pools = poolsByKey([pool(1, { contents: [content(500, 30)] }), pool(2, { contents: [content(400, 40)] })]);
  const at = (...meals: PlannedMeal[]) => dayFigures(meals, ann, pools).figureOf('energyKcal');
  const [low, high] = at(meal('2031-03-10', 1), meal('2031-03-10', 2, { meal: 'late' })).band ?? [0, 0];
  expect([low, high]).toEqual([900 - 1.96 * 50, 900 + 1.96 * 50]);
  const [lowest] = at(meal('2031-03-10', 1), meal('2031-03-10', 1, { meal: 'late' })).band ?? [0];
  expect(lowest).toBeCloseTo(1000 - 1.96 * 60, 9);
});

test('no box is nothing, and known; a box of which nothing is known, or that is gone, makes the sum "at least"', () => {
  const pools = poolsByKey([pool(1), pool(2, { contents: [{ figures: {} }] })]);
  const energy = (...meals: PlannedMeal[]) => dayFigures(meals, ann, pools).figureOf('energyKcal');
  expect(energy()).toMatchObject({ amount: 0, atLeast: false });
  expect(energy(meal('2031-03-10', 1), meal('2031-03-10', 2, { meal: 'late' }))).toMatchObject({ amount: 500, atLeast: true });
  expect(energy(meal('2031-03-10', 2))).toEqual({ amount: undefined, atLeast: true, band: undefined });
  expect(energy(meal('2031-03-10', 1), meal('2031-03-10', 9, { meal: 'late' }))).toMatchObject({ amount: 500, atLeast: true });
  expect(dayFigures([meal('2031-03-10', 1)], ann, pools).till).toEqual({ amount: undefined, atLeast: true });
});

test('a day is judged against its targets with its band', () => {
  const target = (is: Target['is'], amount: number): Target => ({ figure: 'energyKcal', is, amount });
  const pools = poolsByKey([pool(1, { contents: [content(500, 10)] })]);
  const verdicts = (targets: readonly Target[]) =>
    dayFigures([meal('2031-03-10', 1)], { targets }, pools).judgements.map(({ verdict }) => verdict);
  expect(verdicts([target('at least', 480), target('at least', 490), target('at least', 501), target('at most', 515)])).toEqual([
    'holds',
    'unsure',
    'missed',
    'unsure',
  ]);
});

test('what is wrong with a box that was given is told, and nothing is taken back', () => {
  const others: Person[] = [ann, { id: 'bo', name: 'Bo' }];
  const ground = groundOf(
    [
      pool(1, { count: 1 }),
      pool(2, { name: 'Bo', box: { batch: 'b', name: 'Bo' }, key: JSON.stringify(['b', 'Bo', 'fridge']), keep: 'fridge' }),
      pool(3),
    ],
    { people: others, today: '2031-03-12' },
  );
  const notes = (...meals: PlannedMeal[]) =>
    weekSeen(week({ meals, off: [{ person: 'ann', date: '2031-03-16' }] }), ground).map((seen) => seen.notes.map(({ kind }) => kind));
  expect(notes(meal('2031-03-10', 9))).toEqual([['gone']]);
  expect(notes(meal('2031-03-10', 1), meal('2031-03-12', 1))).toEqual([['too many'], ['too many', 'not thawed']]);
  expect(notes(meal('2031-03-10', 2, { box: { batch: 'b', name: 'Bo' } }))).toEqual([['of another']]);
  expect(notes(meal('2031-03-16', 3))).toEqual([['off']]);
  expect(notes(meal('2031-03-15', 3, { box: { session: 'prep', dish: 3, variant: 'hot' } }))).toEqual([['no variant']]);
});

test('the later of two that follow each other is told, but at a meal that repeats, and where it is allowed', () => {
  const repeats: Person = { id: 'ann', name: 'Ann', meals: [{ meal: 'before', repeats: true }, { meal: 'main' }] };
  const days = ['2031-03-10', '2031-03-11'];
  const again = (at: PlannedMeal['meal'], people: Person[], over: Partial<Week> = {}, variants: readonly (string | undefined)[] = []) => {
    const meals = days.map((date, i) => {
      const variant = variants[i];
      return meal(date, 1, { meal: at, box: { session: 'prep', dish: 1, ...(variant === undefined ? {} : { variant }) } });
    });
    const contents = [content(500), { variant: 'hot', ...content(500) }];
    return weekSeen(week({ meals, ...over }), groundOf([pool(1, { contents })], { people })).map(({ notes }) =>
      notes.map(({ kind }) => kind),
    );
  };
  expect(again('main', [ann])).toEqual([[], ['again']]);
  expect(again('before', [repeats])).toEqual([[], []]);
  expect(again('main', [repeats])).toEqual([[], ['again']]);
  expect(again('main', [ann], { again: [{ person: 'ann', date: '2031-03-11', recipe: 'r1' }] })).toEqual([[], []]);
  // The same pot, seasoned otherwise.
  expect(again('main', [ann], {}, [undefined, 'hot'])).toEqual([[], []]);
});

test('another of the same dish that has to be eaten sooner is told', () => {
  const old = pool(2, { recipe: 'r1', fridgeUntil: '2031-03-11' });
  const fresh = pool(1, { fridgeUntil: '2031-03-13' });
  const seen = weekSeen(week({ meals: [meal('2031-03-10', 1), meal('2031-03-11', 2)] }), groundOf([fresh, old]));
  expect(seen[0]?.notes).toContainEqual({ kind: 'out of order', before: '2031-03-11' });
});

test('every box that is not eaten or gone stands on one shelf, each with who it waits for', () => {
  const ground = groundOf([pool(1, { count: 5 }), pool(2, { count: 2, keep: 'fridge', freezerUntil: undefined as never })]);
  const planned = week({
    meals: [meal('2031-03-10', 1), meal('2031-03-11', 1), meal('2031-03-14', 1)],
    gone: [{ box: { session: 'prep', dish: 1 }, count: 1 }],
  });
  const at = (date: string) => {
    const { fridge, freezer, past } = shelvesOn(planned, ground, date);
    const said = (groups: typeof fridge) => groups.map((one) => [one.pool.recipe, one.boxes.map((box) => box.meal?.date ?? 'spare')]);
    return { fridge: said(fridge), freezer: said(freezer), past: said(past) };
  };
  expect(at('2031-03-09')).toEqual({ fridge: [], freezer: [], past: [] });
  expect(at('2031-03-11')).toEqual({
    fridge: [
      ['r1', ['2031-03-11']],
      ['r2', ['spare', 'spare']],
    ],
    freezer: [['r1', ['2031-03-14', 'spare']]],
    past: [],
  });
  expect(at('2031-03-14')).toMatchObject({
    fridge: [['r1', ['2031-03-14']]],
    freezer: [['r1', ['spare']]],
    past: [['r2', ['spare', 'spare']]],
  });
});

test('what is eaten from the freezer goes into the fridge the evening before, and into the freezer the evening it is cooked', () => {
  const ground = groundOf([pool(1, { count: 3 })]);
  const planned = week({ meals: [meal('2031-03-10', 1), meal('2031-03-14', 1)] });
  expect(thawsOn(planned, ground, '2031-03-13').map(({ count, meals }) => [count, meals[0]?.date])).toEqual([[1, '2031-03-14']]);
  expect(thawsOn(planned, ground, '2031-03-09')).toEqual([]);
  expect(freezesOn(planned, ground, '2031-03-09').map(({ count }) => count)).toEqual([2]);
  const evenings = eveningsFrom([planned], ground.pools, '2031-03-09', '2031-03-16');
  expect(evenings.map(({ date, thaw, freeze }) => [date, thaw.length, freeze.length])).toEqual([
    ['2031-03-09', 0, 1],
    ['2031-03-13', 1, 0],
  ]);
});

test('meals are those said, in the order of the day; unsaid, three', () => {
  expect(mealsOf({}).map(({ meal: name, when = 'always' }) => `${name} ${when}`)).toEqual([
    'before if needed',
    'main always',
    'late if needed',
  ]);
  expect(mealsOf({ meals: [{ meal: 'late' }, { meal: 'before' }] }).map(({ meal: name }) => name)).toEqual(['before', 'late']);
});

const RICE = {
  id: 'rice',
  name: 'Rice, brown, raw',
  aisle: 'grains-pasta-bread',
  nutrients: { energyKcal: 350, protein: 8 },
  source: 'table' as const,
};
const BEAN = { id: 'bean', name: 'White beans', nutrients: { energyKcal: 300, protein: 20 }, source: 'table' as const };
const dish = recipeOf([{ food: 'bean', amount: 400, unit: 'g' }], {
  variants: [{ name: 'double', changes: [{ at: 'pot/1', line: { food: 'bean', amount: 800, unit: 'g' } }] }],
});
const kitchen = kitchenOf({ foods: [RICE, BEAN], recipes: [dish] });
const session: Session = { id: 'prep', date: '2031-03-09', dishes: [{ recipe: 'dish', boxes: 8 }] };
const batch = (over: Partial<Batch> = {}): Batch => ({
  id: 'b1',
  recipe: 'dish',
  date: '2031-03-08',
  parts: [{ part: 'pot', net: 1000 }],
  ...over,
});

test('a session’s dish is boxes to come, scaled to as many, with a content for each variant', () => {
  const { pools } = boxesAtHand([], [session], kitchen, '2031-03-10');
  expect(pools).toHaveLength(1);
  expect(pools[0]).toMatchObject({ count: 8, cooked: '2031-03-09', planned: true, fridgeUntil: '2031-03-11', freezerUntil: '2031-06-09' });
  // 4 servings of 400 g are 8 of 800 g: 300 kcal each; the variant holds twice that.
  const [plain, double] = (pools[0] as BoxPool).contents;
  expect(plain?.figures.energyKcal?.amount).toBeCloseTo(300, 9);
  expect(plain?.figures.energyKcal?.uncertain).toBeGreaterThan(20);
  expect(contentOf(pools[0] as BoxPool, { session: 'prep', dish: 1, variant: 'double' })).toBe(double);
  expect(double?.figures.energyKcal?.amount).toBeCloseTo(600, 9);
});

test('rice keeps one day, and what the recipe says not to freeze is not frozen', () => {
  const rice = { ...recipeOf([{ food: 'rice', amount: 400, unit: 'g' }]), storage: { freezes: false, fridgeDays: 4 } };
  const [only] = boxesAtHand([], [session], kitchenOf({ foods: [RICE], recipes: [rice] }), '2031-03-09').pools;
  expect(only).toMatchObject({ fridgeUntil: '2031-03-10' });
  expect(only).not.toHaveProperty('freezerUntil');
});

test('boxes of a batch stand by name and place, each with what is in it; past ones are not there', () => {
  const boxes = [
    { name: 'Ann', count: 2, grams: { pot: 200 }, keep: 'fridge' as const },
    { name: 'Ann', count: 1, grams: { pot: 200 }, keep: 'freezer' as const },
    { name: 'Ann', count: 1, grams: { pot: 300 }, keep: 'freezer' as const, eye: ['pot'] },
  ];
  const { pools } = boxesAtHand([batch({ boxes })], [], kitchen, '2031-03-10');
  expect(pools.map(({ box, count }) => [box, count])).toEqual([
    [{ batch: 'b1', name: 'Ann', keep: 'fridge' }, 2],
    [{ batch: 'b1', name: 'Ann', keep: 'freezer' }, 1],
    [{ batch: 'b1', name: 'Ann', keep: 'freezer', nth: 2 }, 1],
  ]);
  const energy = pools.map(({ contents }) => contents[0]?.figures.energyKcal);
  expect(energy.map((one) => one?.amount)).toEqual([240, 240, 360]);
  // By eye: 30 % of it, beside what the batch itself is sure to.
  expect(energy[2]?.uncertain).toBeGreaterThan(360 * 0.3);
  expect(boxesAtHand([batch({ boxes })], [], kitchen, '2031-03-11').pools.map(({ keep }) => keep)).toEqual(['freezer', 'freezer']);
});

test('a batch in boxes stands for the dish of its session; one without boxes is told', () => {
  const cooked = batch({ id: 'b2', date: '2031-03-09', boxes: [{ name: 'Ann', count: 8, grams: { pot: 100 } }] });
  const there = boxesAtHand([cooked], [session], kitchen, '2031-03-10');
  expect(there.pools.map(({ box }) => box)).toEqual([{ batch: 'b2', name: 'Ann', keep: 'fridge' }]);
  expect(there.leftOut).toMatchObject([{ kind: 'cooked', session: 'prep', dish: 1, batch: 'b2' }]);
  const unboxed = boxesAtHand([batch()], [], kitchen, '2031-03-10');
  expect(unboxed).toMatchObject({ pools: [], leftOut: [{ kind: 'no boxes', batch: 'b1' }] });
  expect(boxesAtHand([batch()], [], kitchen, '2031-07-10').leftOut).toEqual([]);
  // What is still on the stove is in no box, and stands for nothing.
  const onTheStove = { ...cooked, cooking: { begun: '2031-03-09T10:00:00Z', step: 1 } };
  expect(boxesAtHand([onTheStove], [session], kitchen, '2031-03-10')).toMatchObject({ pools: [{ box: { session: 'prep' } }], leftOut: [] });
  const gone = boxesAtHand([], [{ ...session, dishes: [{ recipe: 'lost' }] }], kitchen, '2031-03-10');
  expect(gone).toMatchObject({ pools: [], leftOut: [{ kind: 'not computed', recipe: 'lost' }] });
});
