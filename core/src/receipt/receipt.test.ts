import fc from 'fast-check';
import { FoodIndex } from '../match/index.js';
import { packSizeText } from './packSize.js';
import { itemWords, itemKey, matchedLine } from './matchedLine.js';
import { dateText } from './receiptDate.js';
import { receiptLines } from './receiptLines.js';
import { guessReceipt } from './receiptMapping.js';

test.each([
  ['Chickpeas 400 g', 400, 'g', 'Chickpeas'],
  ['CHICKPEAS 2X400G TIN', 800, 'g', 'CHICKPEAS TIN'],
  ['Yoghurt 125g x 4', 500, 'g', 'Yoghurt'],
  ['Rice 1,5kg', 1.5, 'kg', 'Rice'],
  ['Olive oil 75 cl', 750, 'ml', 'Olive oil'],
  ['Stock 1L', 1, 'l', 'Stock'],
  ['Eggs 10 pcs', 10, 'piece', 'Eggs'],
  ['Butter 8 oz', 8, 'oz', 'Butter'],
])('%j holds %d %s', (text, net, unit, rest) => {
  expect(packSizeText(text)).toEqual({ size: { net, unit }, rest });
});

test.each(['Leeks', 'Vitamin B12 drops', 'Beef 5 % fat', 'Type 00 flour', ''])('%j says no size', (text) => {
  expect(packSizeText(text).size).toBeUndefined();
});

test.each([
  ['2026-11-24', '2026-11-24'],
  ['24.11.2026', '2026-11-24'],
  ['24/11/26 18:02', '2026-11-24'],
  ['11/24/2026', '2026-11-24'],
  ['31.02.2026', undefined],
  ['x', undefined],
])('%j is the day %s', (text, day) => {
  expect(dateText(text)).toBe(day);
});

const rowsOf = (text: string, delimiter: string) =>
  text
    .trim()
    .split('\n')
    .map((line) => line.split(delimiter));

const given = { shop: 'Harbour Stores', seen: '2026-11-25', currency: 'EUR' };

test('a till receipt in German, with a discount, weighed goods, several of one, and sums', () => {
  const rows = rowsOf(
    `
Artikel;Menge;Einzelpreis;Betrag
Kichererbsen 400g;3;;2,55
Lauch lose;0,412;;1,19
Olivenöl 500ml;1;;6,49
Aktion Olivenöl;;;-1,50
Pfand;1;;0,25
SUMME;;;8,98
`,
    ';',
  );
  const mapping = guessReceipt(rows);
  expect(mapping).toEqual({ headingLines: 1, decimal: ',', columns: { item: 0, quantity: 1, price: 2, total: 3 } });
  const { lines, passed } = receiptLines(rows, mapping, given);
  expect(lines.map(({ item, net, unit, price, promotion }) => [item, net, unit, price, promotion])).toEqual([
    ['Kichererbsen 400g', 400, 'g', '0.85', false],
    ['Lauch lose', 0.412, 'kg', '1.19', false],
    ['Olivenöl 500ml', 500, 'ml', '4.99', true],
  ]);
  expect(lines[0]?.note).toBe('3 for 2.55');
  expect(passed.map(({ row, kind }) => [row, kind])).toEqual([
    [6, 'deposit'],
    [7, 'total'],
  ]);
});

test('a price list with shop, day, size and offers in columns of their own', () => {
  const rows = rowsOf(
    `
Product,Pack,Price,Store,Date,Offer
Red lentils,500 g,EUR 1.45,Weir Lane Market,24/11/2026,
Leeks,1 kg,€2.90,Depot Nine,2026-11-23,yes
Nothing,1 kg,,Depot Nine,2026-11-23,
`,
    ',',
  );
  const { lines, passed } = receiptLines(rows, guessReceipt(rows), given);
  expect(lines).toEqual([
    {
      row: 2,
      item: 'Red lentils',
      net: 500,
      unit: 'g',
      price: '1.45',
      count: 1,
      total: '1.45',
      shop: 'Weir Lane Market',
      seen: '2026-11-24',
      promotion: false,
      currency: 'EUR',
      note: '',
    },
    {
      row: 3,
      item: 'Leeks',
      net: 1,
      unit: 'kg',
      price: '2.9',
      count: 1,
      total: '2.9',
      shop: 'Depot Nine',
      seen: '2026-11-23',
      promotion: true,
      currency: 'EUR',
      note: '',
    },
  ]);
  expect(passed).toEqual([{ row: 4, item: 'Nothing', kind: 'none', why: 'has no price' }]);
});

test('a receipt without headings is read by what its cells look like', () => {
  const rows = rowsOf('25.11.2026|Leeks 1 kg|2.90\n25.11.2026|Red lentils 500g|1.45', '|');
  const mapping = guessReceipt(rows);
  expect(mapping).toEqual({ headingLines: 0, decimal: '.', columns: { date: 0, item: 1, price: 2 } });
  expect(receiptLines(rows, mapping, given).lines.map(({ seen, price }) => [seen, price])).toEqual([
    ['2026-11-25', '2.9'],
    ['2026-11-25', '1.45'],
  ]);
});

test('a discount that stands alone, or takes more than there was, is not taken', () => {
  const mapping = { headingLines: 0, decimal: '.' as const, columns: { item: 0, total: 1 } };
  expect(receiptLines([['Discount', '-1.00']], mapping, given)).toEqual({
    lines: [],
    passed: [{ row: 1, item: 'Discount', kind: 'discount', why: 'is off the whole receipt, or does not say off what' }],
  });
  expect(
    receiptLines(
      [
        ['Leek', '1.00'],
        ['Discount', '-2.00'],
      ],
      mapping,
      given,
    ).lines,
  ).toMatchObject([{ price: '1', promotion: false }]);
});

test('several of one cost together what the line said, to a hundredth of a cent', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 50_000 }), fc.integer({ min: 1, max: 24 }), (cents, count) => {
      const mapping = { headingLines: 0, decimal: '.' as const, columns: { item: 0, quantity: 1, total: 2 } };
      const [line] = receiptLines([['Leek', String(count), (cents / 100).toFixed(2)]], mapping, given).lines;
      expect(line).toMatchObject({ count, total: String(cents / 100) });
      expect(Math.abs(Number(line?.price) * count - cents / 100)).toBeLessThanOrEqual(0.00005 * count + 1e-9);
    }),
  );
});

const foods = [
  { id: 'chickpeas-canned', name: 'Chickpeas, canned', measures: { piece: 400 } },
  { id: 'leek', name: 'Leek, raw' },
];
const byId = new Map(foods.map((food) => [food.id, food]));
const index = new FoodIndex(foods);
const settings = { currency: 'EUR', date: '2026-11-25' };
const packsOf = (food: string) =>
  food === 'leek' ? [{ food, net: 1, unit: 'kg', price: '2.00', currency: 'EUR', shop: 'S', seen: '2026-11-01' }] : [];
const line = (item: string, price: string, net?: number, unit?: string) => ({
  row: 1,
  item,
  net,
  unit,
  price,
  count: 1,
  total: price,
  ...given,
  promotion: false,
  note: '',
});

test('a line finds its food by words, else by what was chosen before, and its price is held against what is paid now', () => {
  const match = (item: string, price: string, net?: number, unit?: string, remembered = new Map<string, string>()) =>
    matchedLine(line(item, price, net, unit), byId, index, remembered, packsOf, settings);
  expect(match('LEEKS 1KG', '2.50', 1, 'kg')).toMatchObject({
    food: { id: 'leek' },
    by: 'words',
    perKg: 2.5,
    change: 0.25,
    doubtful: false,
  });
  expect(match('Fresh LEEKS loose, class 1', '2.50', 1, 'kg').food?.id).toBe('leek');
  expect(itemWords('Tin')).toBe('Tin');
  expect(match('LEEKS', '2.50', 100, 'g')).toMatchObject({ perKg: 25, doubtful: true });
  expect(match('Kichererbsen 400g', '0.85', 400, 'g')).toMatchObject({ food: undefined, by: undefined, perKg: undefined });
  const remembered = new Map([[itemKey('KICHERERBSEN 800 g'), 'chickpeas-canned']]);
  expect(match('Kichererbsen 400g', '0.85', 400, 'g', remembered)).toMatchObject({
    food: { id: 'chickpeas-canned' },
    by: 'remembered',
    perKg: 2.125,
    change: undefined,
  });
});
