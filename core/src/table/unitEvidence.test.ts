import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Food } from '../food/index.js';
import { placedMapping } from './foodFromRow.js';
import { columnsOf, guessMapping } from './guessMapping.js';
import { UnitEvidence } from './unitEvidence.js';

const PANTRY = join(import.meta.dirname, '../../../pantry');
const foods = readdirSync(PANTRY)
  .filter((name) => name.endsWith('.json'))
  .flatMap((name) => (JSON.parse(readFileSync(join(PANTRY, name), 'utf8')) as { foods: Food[] }).foods);

/** The starter pantry as a table, each figure multiplied by what is said. */
function pantryTable(columns: readonly (readonly [heading: string, nutrient: string, times: number])[]): string[][] {
  return [
    ['Code', 'Food', ...columns.map(([heading]) => heading)],
    ...foods.map(({ id, name, nutrients = {} }) => [
      id,
      name,
      ...columns.map(([, nutrient, times]) => {
        const figure = nutrients[nutrient as keyof typeof nutrients];
        return figure === undefined || figure === null ? '' : String(Number((figure * times).toPrecision(6)));
      }),
    ]),
  ];
}

function readingsOf(rows: readonly string[][], agreed?: ReadonlySet<string>) {
  const mapping = guessMapping(rows, 1);
  const evidence = new UnitEvidence(
    placedMapping(
      mapping,
      columnsOf(rows, 1).map(({ heading }) => heading),
    ),
    agreed,
  );
  for (const row of rows.slice(1)) evidence.add(row);
  return new Map(evidence.readings().map((reading) => [reading.heading, reading]));
}

const ALL: readonly (readonly [string, string, number])[] = [
  ['Energy', 'energyKcal', 1],
  ['Protein', 'protein', 1],
  ['Fat', 'fat', 1],
  ['Saturates', 'saturates', 1],
  ['Carbohydrate', 'carbohydrate', 1],
  ['Sugars', 'sugars', 1],
  ['Fibre', 'fibre', 1],
  ['Sodium', 'sodium', 1],
  ['Potassium', 'potassium', 1],
  ['Calcium', 'calcium', 1],
  ['Iron', 'iron', 1],
];

describe('headings without units', () => {
  test('all as they are kept', () => {
    const read = readingsOf(pantryTable(ALL));
    expect([...read].map(([heading, { unit, from }]) => [heading, unit, from])).toEqual([
      ['Energy', 'kcal', 'values'],
      ...['Protein', 'Fat', 'Saturates', 'Carbohydrate', 'Sugars', 'Fibre'].map((heading) => [heading, 'g', 'values']),
      ...['Sodium', 'Potassium', 'Calcium', 'Iron'].map((heading) => [heading, 'mg', 'values']),
    ]);
    expect(read.get('Calcium')?.evidence).toMatch(/milk 122.*as mg that is what they hold/);
  });

  test('energy in kilojoules, minerals in grams, one in micrograms', () => {
    const times: Record<string, number> = { Energy: 4.184, Sodium: 1e-3, Potassium: 1e-3, Calcium: 1e-3, Iron: 1e3 };
    const read = readingsOf(pantryTable(ALL.map(([heading, nutrient]) => [heading, nutrient, times[heading] ?? 1])));
    expect(read.get('Energy')).toMatchObject({ unit: 'kJ', from: 'values' });
    expect(read.get('Energy')?.evidence).toMatch(/^in \d+ of \d+ foods it is four times what the macronutrients make/);
    for (const heading of ['Sodium', 'Potassium', 'Calcium']) expect(read.get(heading)).toMatchObject({ unit: 'g', from: 'values' });
    expect(read.get('Iron')).toMatchObject({ unit: 'ug', from: 'values' });
  });

  test('macronutrients in milligrams are seen though energy does not fit them in grams', () => {
    const read = readingsOf(
      pantryTable(
        ALL.map(([heading, nutrient]) => [heading, nutrient, /Protein|Fat|Saturates|Carb|Sugars|Fibre/.test(heading) ? 1000 : 1]),
      ),
    );
    for (const heading of ['Protein', 'Fat', 'Saturates', 'Carbohydrate', 'Sugars', 'Fibre']) expect(read.get(heading)?.unit).toBe('mg');
    expect(read.get('Energy')).toMatchObject({ unit: 'kcal', from: 'values' });
  });

  test('figures that fit no unit are left to be asked, with why', () => {
    const read = readingsOf(
      pantryTable(ALL.map(([heading, nutrient]) => [heading, nutrient, heading === 'Sodium' ? 0.04 : heading === 'Energy' ? 30 : 1])),
    );
    expect(read.get('Sodium')).toMatchObject({ unit: undefined, from: 'nothing' });
    expect(read.get('Sodium')?.evidence).toMatch(/as no unit is that/);
    expect(read.get('Energy')).toMatchObject({ unit: undefined, from: 'nothing' });
  });

  test('without a food that everybody knows nothing is assumed', () => {
    const read = readingsOf([
      ['Food', 'Energy', 'Iron', 'Vitamin D'],
      ...Array.from({ length: 9 }, (_, i) => [`Dune pea no. ${i}`, String(300 + i), '2', '1']),
    ]);
    for (const { unit, from } of read.values()) expect([unit, from]).toEqual([undefined, 'nothing']);
    expect(read.get('Energy')?.evidence).toMatch(/no macronutrients/);
    expect(read.get('Iron')?.evidence).toMatch(/no food that everybody knows/);
  });

  test('one known food is enough, and said to be one', () => {
    const read = readingsOf([
      ['Food', 'Iron', 'Vitamin D', 'Cholesterol'],
      ['Eggs, raw', '0.0018', '80', '0.37'],
      ...Array.from({ length: 9 }, (_, i) => [`Dune pea no. ${i}`, '0.002', '1', '0']),
    ]);
    expect(read.get('Iron')).toMatchObject({ unit: 'g', evidence: 'egg 0.0018: as g that is what it holds (one food only)' });
    expect(read.get('Vitamin D')?.unit).toBe('IU');
    expect(read.get('Cholesterol')?.unit).toBe('g');
  });
});

test('parts stay below their wholes where nobody knows the foods', () => {
  const rows = Array.from({ length: 12 }, (_, i) => [
    `Dune pea no. ${i}`,
    String(5 + i),
    String((5 + i) * 300),
    String(2 + i),
    String((2 + i) / 2),
  ]);
  const read = readingsOf([['Food', 'Fat (g)', 'Saturates', 'Carbohydrate (g)', 'Sugars'], ...rows]);
  expect(read.get('Saturates')).toMatchObject({ unit: 'mg', from: 'values' });
  expect(read.get('Sugars')).toMatchObject({ unit: 'g', from: 'values' });
});

test('a heading’s unit stands, and is doubted where figures speak against it', () => {
  const read = readingsOf(
    pantryTable([
      ['Energy (kcal)', 'energyKcal', 4.184],
      ['Protein (g)', 'protein', 1],
      ['Fat (g)', 'fat', 1],
      ['Carbohydrate (g)', 'carbohydrate', 1],
      ['Sodium (g)', 'sodium', 1],
      ['Iron (mg)', 'iron', 1],
    ]),
  );
  expect(read.get('Energy (kcal)')).toMatchObject({ unit: 'kcal', from: 'heading', against: 'kJ' });
  expect(read.get('Sodium (g)')).toMatchObject({ unit: 'g', from: 'heading', against: 'mg' });
  expect(read.get('Iron (mg)')).toEqual({ heading: 'Iron (mg)', unit: 'mg', from: 'heading', evidence: '' });
});

test('a unit agreed to before is as good as a heading’s, and cells that carry theirs are believed', () => {
  const agreedTo = readingsOf(pantryTable(ALL), new Set(['Sodium']));
  expect(agreedTo.get('Sodium')?.from).not.toBe('heading'); // the mapping itself says no unit: agreeing to none is no agreement
  const read = readingsOf([
    ['Food', 'Energy', 'Sodium'],
    ...Array.from({ length: 6 }, (_, i) => [`Dune pea no. ${i}`, `${400 + i} kJ`, `${0.01 * (i + 1)} g`]),
  ]);
  expect(read.get('Energy')).toMatchObject({ unit: 'kJ', from: 'cells' });
  expect(read.get('Sodium')).toMatchObject({ unit: 'g', from: 'cells' });
});

test('a basis column of its own counts: per kilogram is read as such', () => {
  const header = ['Code', 'Food', 'Reference quantity', 'Energy', 'Protein', 'Fat', 'Carbohydrate', 'Calcium'];
  const rows = foods.map(({ id, name, nutrients = {} }, i) => {
    const kilogram = i % 2 === 0;
    const cell = (figure: number | null | undefined) =>
      figure === undefined || figure === null ? '' : String(figure * (kilogram ? 10 : 1));
    const { energyKcal, protein, fat, carbohydrate, calcium } = nutrients;
    return [id, name, kilogram ? '1 kg' : '100 g', ...[energyKcal, protein, fat, carbohydrate, calcium].map(cell)];
  });
  const read = readingsOf([header, ...rows]);
  expect(read.get('Energy')?.unit).toBe('kcal');
  expect(read.get('Calcium')?.unit).toBe('mg');
});
