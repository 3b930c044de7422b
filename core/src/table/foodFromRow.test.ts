import { foodFromRow, placedMapping } from './foodFromRow.js';
import { soundnessText, tableSoundness } from './tableSoundness.js';

const MAPPING = {
  headingLines: 1,
  decimal: '.' as const,
  per: { amount: 100, unit: 'g' as const },
  columns: [
    { heading: 'Code', target: 'code' as const },
    { heading: 'Name', target: 'name' as const },
    { heading: 'Energy', target: 'energy' as const, unit: 'kJ' as const },
    { heading: 'Protein', target: 'protein' as const, unit: 'mg' as const },
    { heading: 'Net', target: 'carbohydrateAvailable' as const },
    { heading: 'Total', target: 'carbohydrateTotal' as const },
    { heading: 'Na', target: 'sodium' as const, unit: 'g' as const },
    { heading: 'Salt', target: 'salt' as const },
    { heading: 'Edible', target: 'edible' as const, unit: '%' as const },
  ],
};
const HEADINGS = ['Name', 'Code', 'Energy', 'Protein', 'Net', 'Total', 'Na', 'Salt', 'Edible'];
const placed = placedMapping(MAPPING, HEADINGS);

test('a row becomes a food in the units of the kitchen file', () => {
  const { food, faults } = foodFromRow(['Leek, raw', 'V1', '93', '1600', '2.9', '4.9', '0.002', '9', '58'], placed);
  expect(faults).toEqual([]);
  expect(food).toEqual({
    code: 'V1',
    notes: [],
    food: {
      name: 'Leek, raw',
      state: 'raw',
      nutrients: { energyKj: 93, protein: 1.6, carbohydrate: 2.9, sodium: 2 },
      source: 'table',
      refuse: 0.42,
    },
  });
});

test('only total carbohydrate: said to be total; no code: the name stands for it', () => {
  const { food } = foodFromRow(['Leek', '', '-', 'N', 'n/a', '4.9', '', '0.5', '100'], placed);
  expect(food?.food).toEqual({ name: 'Leek', nutrients: { carbohydrate: 4.9, salt: 0.5 }, carbohydrateIs: 'total', source: 'table' });
  expect(food?.code).toBe('Leek');
});

test('what cannot be is unknown and told, never taken', () => {
  const { food, faults } = foodFromRow(['Leek', 'V1', '93 g', '160000', 'abc', '', '5000', '', '0'], placed);
  expect(food?.food.nutrients).toEqual({});
  expect(faults.map(({ heading }) => heading)).toEqual(['Energy', 'Protein', 'Net', 'Na', 'Edible']);
  expect(faults[1]?.message).toBe('160 g in 100 g cannot be: taken as unknown; is the unit right?');
});

test.each([
  [['', 'V1'], 'no name'],
  [['=cmd()', 'V1'], 'begins like a formula'],
  [['@SUM(A1)', 'V1'], 'begins like a formula'],
  [['Leek', '=A1'], 'begins like a formula'],
  [['Leek', 'x'.repeat(121)], 'more than 120 letters'],
  [['Vegetables', '', '', ' '], 'like the heading of a group'],
])('%j is left out', (cells, why) => {
  const { food, faults } = foodFromRow(cells, placed);
  expect(food).toBeUndefined();
  expect(faults[0]?.message).toContain(why);
});

test('a mapping finds its columns in another order, and says which are gone', () => {
  const { places, missing } = placedMapping(MAPPING, ['protein', 'x', 'NAME']);
  expect(places.map(({ target, at }) => [target, at])).toEqual([
    ['name', 2],
    ['protein', 0],
  ]);
  expect(missing).toContain('Energy');
});

test('a wrong meaning of carbohydrate, or a wrong unit, shows in the energy of the table', () => {
  const food = (over: object) => ({ name: 'x', nutrients: { energyKcal: 300, protein: 20, fat: 4, carbohydrate: 60, fibre: 25, ...over } });
  const total = Array.from({ length: 20 }, () => food({ energyKcal: 4 * 20 + 9 * 4 + 4 * 35 + 2 * 25 }));
  const soundness = tableSoundness(total);
  expect(soundness).toEqual({ compared: 20, agree: 0, agreeOtherwise: 20 });
  expect(soundnessText(soundness)).toContain('only 0 would');
  expect(soundnessText(tableSoundness([food({ energyKcal: 4000 })]))).toContain('is a unit or a column another');
  expect(soundnessText({ compared: 100, agree: 97, agreeOtherwise: 90 })).toBe('');
  expect(soundnessText(tableSoundness([]))).toContain('cannot be checked');
});

test('each row’s own basis; one that says none is left out and told', () => {
  const mapping = {
    ...MAPPING,
    columns: [
      { heading: 'Name', target: 'name' as const },
      { heading: 'For', target: 'basis' as const },
      { heading: 'Protein', target: 'protein' as const, unit: 'g' as const },
    ],
  };
  const at = placedMapping(mapping, ['Name', 'For', 'Protein']);
  expect(foodFromRow(['Leek', '1 kg', '16'], at).food?.food).toMatchObject({
    per: { amount: 1000, unit: 'g' },
    nutrients: { protein: 16 },
  });
  expect(foodFromRow(['Leek juice', '100 ml', '1.6'], at).food?.food.per).toEqual({ amount: 100, unit: 'ml' });
  expect(foodFromRow(['Leek', '100 g', '1.6'], at).food?.food.per).toBeUndefined();
  for (const [cell, said] of [
    ['1 stalk', '“1 stalk” is no weight or volume'],
    ['', 'nothing says what its figures are for'],
  ] as const) {
    const { food, faults } = foodFromRow(['Leek', cell, '1.6'], at);
    expect(food).toBeUndefined();
    expect(faults).toEqual([{ heading: 'For', message: expect.stringContaining(said) as string }]);
  }
  // What cannot be in 100 g can be in a kilogram.
  expect(foodFromRow(['Leek', '1 kg', '160'], at).faults).toEqual([]);
  expect(foodFromRow(['Leek', '100 g', '160'], at).faults).toHaveLength(1);
});

test('a heading’s unit counts where the mapping says none', () => {
  const mapping = {
    ...MAPPING,
    columns: [
      { heading: 'Name', target: 'name' as const },
      { heading: 'Sodium (g)', target: 'sodium' as const },
    ],
  };
  const { food } = foodFromRow(['Leek', '0.002'], placedMapping(mapping, ['Name', 'Sodium (g)']));
  expect(food?.food.nutrients).toEqual({ sodium: 2 });
});
