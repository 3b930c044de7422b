import { Kitchen } from '../recipe/index.js';
import { demoKitchen } from '../../test/demoKitchen.js';
import { kitchenOf, recipeOf } from '../../test/kitchens.js';
import { nutrientsPerGram, type Food } from '../food/index.js';
import { recipeFigures } from '../recipe/index.js';
import { foodFromRow, guessMapping, placedMapping, columnsOf } from '../table/index.js';
import { batchesSheet, foodsSheet, pricesSheet, recipesSheet, type Sheet } from './csvSheets.js';

const cellOf = ({ headings, rows }: Sheet, row: number, heading: string) => rows[row]?.[headings.indexOf(heading)];

test('foods go out per 100 g, unknown cells empty and known zeros zero', () => {
  const sheet = foodsSheet([
    { id: 'leek', name: 'Leek', per: { amount: 50, unit: 'g' }, nutrients: { protein: 1, fat: 0, salt: 0.1 }, refuse: 0.3 },
  ]);
  expect(cellOf(sheet, 0, 'Protein (g)')).toBe(2);
  expect(cellOf(sheet, 0, 'Fat (g)')).toBe(0);
  expect(cellOf(sheet, 0, 'Sodium (mg)')).toBe(80);
  expect(cellOf(sheet, 0, 'Salt (g)')).toBeCloseTo(0.2, 12);
  expect(cellOf(sheet, 0, 'Iron (mg)')).toBe('');
  expect(cellOf(sheet, 0, 'Refuse (%)')).toBe(30);
});

test('what went out as a sheet of foods comes in as a food table, unchanged', () => {
  const foods = demoKitchen.content.foods;
  const { headings, rows } = foodsSheet(foods);
  const cells = [headings, ...rows.map((row) => row.map(String))];
  const mapping = guessMapping(cells);
  const placed = placedMapping(
    mapping,
    columnsOf(cells, mapping.headingLines).map(({ heading }) => heading),
  );
  expect(mapping.headingLines).toBe(1);
  rows.forEach((_, i) => {
    const before = foods[i] as Food;
    const { food, faults } = foodFromRow(cells[i + 1] ?? [], placed);
    const known = Object.keys(nutrientsPerGram(before, 'available')).length > 0;
    expect(food === undefined).toBe(!known);
    if (!food) return;
    expect(faults).toEqual([]);
    expect([food.code, food.food.name]).toEqual([before.id, before.name]);
    const [was, is] = [nutrientsPerGram(before, 'available'), nutrientsPerGram({ ...food.food, id: 'x' }, 'available')];
    for (const nutrient of [
      'energyKcal',
      'protein',
      'fat',
      'saturates',
      'carbohydrate',
      'sugars',
      'fibre',
      'sodium',
      'iron',
      'vitaminD',
    ] as const) {
      expect(is[nutrient] === undefined).toBe(was[nutrient] === undefined);
      if (was[nutrient] !== undefined) expect(is[nutrient]).toBeCloseTo(was[nutrient], 9);
    }
  });
});

test('prices with what a kilogram cost; a pack nobody can weigh has none', () => {
  const pack = { food: 'leek', net: 500, unit: 'g', price: '1.45', currency: 'EUR', shop: 'S', seen: '2031-03-01' };
  const foods = new Map([['leek', { id: 'leek', name: 'Leek' }]]);
  const sheet = pricesSheet([pack, { ...pack, unit: 'crate', promotion: true }], foods);
  expect(cellOf(sheet, 0, 'Price a kg')).toBeCloseTo(2.9, 12);
  expect(cellOf(sheet, 1, 'Price a kg')).toBe('');
  expect(cellOf(sheet, 1, 'Offer')).toBe('offer');
});

test('recipes with their figures, and what they lack', () => {
  const kitchen = kitchenOf({
    foods: [
      { id: 'a', name: 'A', nutrients: { energyKcal: 100, fat: 1 } },
      { id: 'b', name: 'B', nutrients: { energyKcal: 50 } },
    ],
  });
  const recipe = recipeOf([
    { food: 'a', amount: 100, unit: 'g' },
    { food: 'b', amount: 100, unit: 'g' },
  ]);
  const sheet = recipesSheet([recipe], kitchen);
  expect(cellOf(sheet, 0, 'Energy (kcal)')).toBe(recipeFigures(recipe, kitchen).perServing.nutrients.energyKcal.amount);
  expect(cellOf(sheet, 0, 'Fat (g)')).toBe(0.25);
  expect(cellOf(sheet, 0, 'At least, for want of')).toMatch(/Fat.*Used cost/);
  for (const row of recipesSheet(demoKitchen.content.recipes, demoKitchen).rows) expect(row).toHaveLength(sheet.headings.length);
});

test('batches have a row for each part that was measured, and one where none was; who wrote a note wrote a cell', () => {
  const recipe = {
    id: 'pot',
    title: 'Pot',
    servings: 4,
    parts: [{ id: 'main', name: 'Main', lines: [{ food: 'leek', amount: 400, unit: 'g' }] }],
  };
  const kitchen = new Kitchen({
    settings: { currency: 'EUR', measures: 'metric', rules: 'plain', staples: 'counted', date: '2026-11-25' },
    foods: [{ id: 'leek', name: 'Leek', nutrients: { energyKcal: 30 } }],
    packs: [],
    recipes: [recipe],
  });
  const batch = { id: 'a', recipe: 'pot', date: '2026-11-01', parts: [{ part: 'main', gross: 500, tare: 200 }], rating: 4, note: '=1+1' };
  const sheet = batchesSheet([batch, { id: 'b', recipe: 'pot', date: '2026-11-02', leaveOut: true }], kitchen);
  const column = (heading: string) => sheet.rows.map((row) => row[sheet.headings.indexOf(heading)]);
  expect(sheet.rows.every((row) => row.length === sheet.headings.length)).toBe(true);
  expect(column('Came out g')).toEqual([300, '']);
  expect(column('Of what went in')).toEqual([0.75, '']);
  expect(column('Energy kcal')).toEqual([30, 30]);
  expect(column('Learned from')).toEqual(['yes', 'no']);
  expect(column('Note')).toEqual(['=1+1', '']);
});
