import { rowDoubts, settledRow, waysFor } from './rowDoubts.js';

const OIL = { name: 'Oil of dune thistle', nutrients: { protein: 0, fat: 99.9, carbohydrate: 0 }, source: 'table' as const };
const SOUND = {
  name: 'Dune pea',
  nutrients: { energyKcal: 340, protein: 22, fat: 2, carbohydrate: 50, fibre: 14 },
  source: 'table' as const,
};
const PARTS = { ...SOUND, nutrients: { ...SOUND.nutrients, saturates: 9 } };
const HEAVY = { ...SOUND, nutrients: { ...SOUND.nutrients, energyKcal: 500, carbohydrate: 90 } };

test('a sound row has no doubts, and is taken whatever was said', () => {
  expect(rowDoubts(SOUND, true)).toEqual([]);
  expect(settledRow(SOUND, [], { energy: 'out', parts: 'out', weight: 'out' })).toEqual({ kind: 'taken', food: SOUND });
});

test.each([
  ['no energy at all', OIL],
  ['energy of 0', { ...OIL, nutrients: { ...OIL.nutrients, energyKcal: 0 } }],
  ['only its fat known', { ...OIL, nutrients: { fat: 99.9 } }],
])('an oil without energy is doubtful: %s', (_, food) => {
  expect(rowDoubts(food, true)).toEqual([{ kind: 'energy', message: 'no energy, though its macronutrients make 899 kcal' }]);
});

test('water and salt need no energy; one that nothing is known of is not doubted', () => {
  expect(rowDoubts({ name: 'Water', nutrients: { energyKcal: 0, protein: 0, fat: 0, carbohydrate: 0 } }, true)).toEqual([]);
  expect(rowDoubts({ name: 'Salt', nutrients: { sodium: 38800 } }, true)).toEqual([]);
  expect(rowDoubts({ name: 'Kelp', nutrients: {} }, true)).toEqual([]);
});

test('a table that never says energy lacks it in no row', () => {
  expect(rowDoubts(OIL, false)).toEqual([]);
});

test('each kind of row is told', () => {
  expect(rowDoubts(PARTS, true).map(({ kind }) => kind)).toEqual(['parts']);
  expect(rowDoubts(HEAVY, true).map(({ kind }) => kind)).toEqual(['weight']);
  expect(rowDoubts({ ...SOUND, nutrients: { ...SOUND.nutrients, energyKcal: 34 } }, true).map(({ kind }) => kind)).toEqual(['energy']);
});

test('what is not said is neither taken nor left out', () => {
  expect(settledRow(OIL, rowDoubts(OIL, true), { parts: 'asIs', weight: 'asIs' }).kind).toBe('unsaid');
  expect(settledRow(PARTS, rowDoubts(PARTS, true), { parts: 'factored' }).kind).toBe('unsaid');
});

test('energy from macronutrients is marked as such; without all of them the row is left out', () => {
  expect(settledRow(OIL, rowDoubts(OIL, true), { energy: 'factored' })).toMatchObject({
    kind: 'taken',
    food: { nutrients: { energyKcal: 899.1, fat: 99.9 }, energyIs: 'factored' },
  });
  const kJ = { ...OIL, nutrients: { ...OIL.nutrients, energyKj: 10 } };
  const settled = settledRow(kJ, rowDoubts(kJ, true), { energy: 'factored' });
  expect(settled.kind === 'taken' && settled.food.nutrients).toEqual({ protein: 0, fat: 99.9, carbohydrate: 0, energyKcal: 899.1 });
  const bare = { ...OIL, nutrients: { fat: 99.9 } };
  expect(settledRow(bare, rowDoubts(bare, true), { energy: 'factored' })).toMatchObject({ kind: 'left out' });
});

test('left out and as they are', () => {
  expect(settledRow(PARTS, rowDoubts(PARTS, true), { parts: 'out' }).kind).toBe('left out');
  expect(settledRow(PARTS, rowDoubts(PARTS, true), { parts: 'asIs' })).toEqual({ kind: 'taken', food: PARTS });
  const both = { ...PARTS, nutrients: { ...PARTS.nutrients, energyKcal: 34 } };
  expect(settledRow(both, rowDoubts(both, true), { energy: 'asIs', parts: 'out' }).kind).toBe('left out');
  expect(waysFor('weight')).toEqual(['out', 'asIs']);
});
