import fc from 'fast-check';
import { GatheredFoods, guessFigureRows } from './figureRows.js';
import { foodFromRow, placedMapping } from './foodFromRow.js';
import { columnsOf, guessMapping } from './guessMapping.js';

function rowsOf(text: string, delimiter = ';'): string[][] {
  return text
    .trim()
    .split('\n')
    .map((line) => line.split(delimiter).map((cell) => cell.trim()));
}

/** Gathers a table by what is guessed of it, and reads its foods. */
function foodsOf(text: string) {
  const [headings = [], ...rows] = rowsOf(text);
  const figureRows = guessFigureRows(columnsOf([headings, ...rows], 1));
  if (!figureRows) throw new Error('a row a food was guessed');
  const gathered = new GatheredFoods(headings, figureRows);
  rows.forEach((cells, i) => gathered.add(cells, i + 2));
  const table = [gathered.headings, ...gathered.rows.map(({ cells }) => cells)];
  const mapping = guessMapping(table, 1);
  const placed = placedMapping(mapping, gathered.headings);
  return { figureRows, gathered, foods: gathered.rows.map(({ cells }) => foodFromRow(cells, placed)) };
}

test('rows of figures, a food after the other: energy in both units, sodium in mg, each unit from its own row', () => {
  const { figureRows, foods } = foodsOf(`
FoodID;Food name;Component name;Component value;Unit;Method
10;Barley, pearled, raw;Energy;1450;kJ;calculated
10;Barley, pearled, raw;Energy;343;kcal;calculated
10;Barley, pearled, raw;Protein, total;9.9;g;analysed
10;Barley, pearled, raw;Fat, total;1.2;g;analysed
10;Barley, pearled, raw;Carbohydrate, available;62.1;g;calculated
10;Barley, pearled, raw;Dietary fibre;15.6;g;analysed
10;Barley, pearled, raw;Sodium;9;mg;analysed
11;Leek, raw;Energy;61;kcal;calculated
11;Leek, raw;Protein, total;1.5;g;analysed
11;Leek, raw;Fat, total;<0.6;g;analysed
11;Leek, raw;Carbohydrate, available;12.4;g;calculated
11;Leek, raw;Sodium;0.02;g;analysed
`);
  expect(figureRows).toEqual({ food: 'FoodID', figure: 'Component name', value: 'Component value', unit: 'Unit' });
  expect(foods.map(({ food }) => food?.code)).toEqual(['10', '11']);
  expect(foods[0]?.food?.food).toMatchObject({
    name: 'Barley, pearled, raw',
    state: 'raw',
    nutrients: { energyKcal: 343, protein: 9.9, fat: 1.2, carbohydrate: 62.1, fibre: 15.6, sodium: 9 },
  });
  expect(foods[1]?.food?.food.nutrients).toMatchObject({ energyKcal: 61, fat: 0.3, sodium: 20 });
});

test('rows by figure, not by food, with the unit in the figure’s name and decimal commas', () => {
  const { figureRows, foods } = foodsOf(`
Lebensmittel;Nährstoff;Gehalt
Linsen, getrocknet;Eiweiss (g);23,5
Hafer;Eiweiss (g);13,2
Linsen, getrocknet;Fett (g);1,5
Hafer;Fett (g);7,0
Linsen, getrocknet;Natrium (mg);7
Hafer;Natrium (mg);Spuren
Linsen, getrocknet;Energie (kcal);310
`);
  expect(figureRows).toEqual({ food: 'Lebensmittel', figure: 'Nährstoff', value: 'Gehalt' });
  expect(foods[0]?.food?.food.nutrients).toEqual({ protein: 23.5, fat: 1.5, sodium: 7, energyKcal: 310 });
  expect(foods[1]?.food?.food.nutrients).toEqual({ protein: 13.2, fat: 7, sodium: 0 });
});

test('a figure that comes twice with another amount is told, an empty one is filled', () => {
  const gathered = new GatheredFoods(['food', 'figure', 'value'], { food: 'food', figure: 'figure', value: 'value' });
  for (const [i, value] of ['', '2', '2', '3'].entries()) gathered.add(['a', 'protein', value], i + 1);
  expect(gathered.rows).toEqual([{ cells: ['a', '2'], number: 1, twice: ['protein'] }]);
});

test('only what is asked for is kept, and every heading is known all the same', () => {
  const headings = ['food', 'figure', 'value'];
  const rows = { food: 'food', figure: 'figure', value: 'value' };
  const few = new GatheredFoods(headings, rows, { foods: 1, headings: new Set(['fat']) });
  few.add(['a', 'protein', '1'], 1);
  few.add(['a', 'fat', '2'], 2);
  few.add(['b', 'iron', '3'], 3);
  expect(few.headings).toEqual(['food', 'protein', 'fat', 'iron']);
  expect(few.figures).toBe(3);
  expect(few.rows.map(({ cells }) => Array.from(cells, (cell) => cell ?? ''))).toEqual([['a', '', '2']]);
  expect(() => new GatheredFoods(headings, { ...rows, value: 'amount' })).toThrow('no column “amount”');
});

test('a table with a row a food is not taken for one', () => {
  const table = rowsOf(`
Code;Name;Energy (kcal);Protein (g);Fat (g);Salt (g)
1;Salt;0;0;0;99.9
2;Sugar;400;0;0;0
3;Beef fat;890;0.5;98;0.1
`);
  expect(guessFigureRows(columnsOf(table, 1))).toBeUndefined();
  expect(guessFigureRows(columnsOf([['a', 'b']], 1))).toBeUndefined();
});

test('gathering in any order gives the same foods', () => {
  const rows = ['a', 'b', 'c'].flatMap((food, f) => ['protein', 'fat', 'fibre'].map((figure, n) => [food, figure, String(f * 3 + n)]));
  const gather = (ordered: readonly string[][]) => {
    const gathered = new GatheredFoods(['food', 'figure', 'value'], { food: 'food', figure: 'figure', value: 'value' });
    ordered.forEach((cells, i) => gathered.add(cells, i + 1));
    return new Map(
      gathered.rows.map(({ cells }) => [cells[0], new Map(gathered.headings.map((heading, i) => [heading, cells[i]] as const))] as const),
    );
  };
  fc.assert(
    fc.property(fc.shuffledSubarray(rows, { minLength: rows.length }), (ordered) => {
      expect(gather(ordered)).toEqual(gather(rows));
    }),
  );
});
