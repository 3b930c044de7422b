import { receiptLines } from './receiptLines.js';
import { receiptTable } from './receiptMapping.js';
import { isTill } from './tillTable.js';

const given = { shop: 'S', seen: '2026-11-29', currency: 'EUR', today: '2026-11-29' };
const read = (text: string) => {
  const table = receiptTable(text.split('\n').map((line) => [line]));
  return receiptLines(table.rows, table.mapping, { ...given, seen: table.seen ?? given.seen });
};
const short = (text: string) => read(text).lines.map(({ item, net, unit, price }) => [item, net, unit, price]);

test('counts and weights within a line', () => {
  expect(short('Gurken   0,49 x 3    1,47 B\nSpeisequark  0,99 B')).toEqual([
    ['Gurken', undefined, undefined, '0.49'],
    ['Speisequark', undefined, undefined, '0.99'],
  ]);
  expect(short('Apples 1.2kg @ 2.50/kg 3.00\nBananas\n 0.8 kg NET @ $0.59/kg   0.47')).toEqual([
    ['Apples', 1.2, 'kg', '3'],
    ['Bananas', 0.8, 'kg', '0.47'],
  ]);
});

test('what was paid for all of a line is exact: counts, weights, and what was taken off', () => {
  const paid = (text: string) => read(text).lines.map(({ item, count, total }) => [item, count, total]);
  expect(paid('3 x Chickpeas 400 g  5.00\nApples 1.2kg @ 2.50/kg 3.00\nKale 4.00')).toEqual([
    ['Chickpeas 400 g', 3, '5'],
    ['Apples', 1, '3'],
    ['Kale', 1, '4'],
  ]);
  expect(paid('Gurken   0,49 x 3    1,47 B')).toEqual([['Gurken', 3, '1.47']]);
  expect(paid('Leek 2,38\n2 x 1,19')).toEqual([['Leek', 2, '2.38']]);
  // A discount is off what was paid, whatever one of them then costs.
  expect(paid('3 x Chickpeas 400 g  5.00\nDiscount -0.50')).toEqual([['Chickpeas 400 g', 3, '4.5']]);
  expect(paid('Bananas\n 0.8 kg NET @ $0.59/kg   0.47')).toEqual([['Bananas', 1, '0.47']]);
});

test('a count that makes no price near it is told', () => {
  const { lines } = read('Leek 2,00\n3 x 1,19\nKale 4,00');
  expect(lines.map(({ item, price, doubt }) => [item, price, doubt])).toEqual([
    ['Leek', '2', undefined],
    ['Kale', '4', '“3 x 1,19” above it belongs to no price'],
  ]);
});

test('half a price off without a word of what it is off is asked; more than there was is off the whole', () => {
  expect(read('Leek 2.00\nDiscount -0.20').lines).toMatchObject([{ price: '1.8', usual: '2', promotion: true }]);
  expect(read('Leek 2.00\nDiscount -1.20').lines[0]?.doubt).toBe('“Discount -1.2” below it was taken off it');
  expect(read('Leek 2.00\nDiscount -3.00')).toMatchObject({ lines: [{ price: '2' }], passed: [{ kind: 'discount' }] });
});

test('what has no price is told, not dropped; the day is read where it stands', () => {
  const { lines, passed } = read('CORNER\n12.11.2026\nRice 5kg €9\nOil 1l 4');
  expect(lines).toMatchObject([{ item: 'Rice 5kg', net: 5, price: '9', seen: '2026-11-12' }]);
  expect(passed.map(({ item, kind }) => [item, kind])).toEqual([
    ['CORNER', 'none'],
    ['Oil 1l 4', 'none'],
  ]);
});

test('goods that are called like a payment or a bag are goods where they weigh something', () => {
  const { lines, passed } = read('Bag salad 150 g  1.20\nBar 100G  1.50\nBag  0.10\nReturn milk 1 l  -1.20\nBAR  5.00');
  expect(lines.map(({ item }) => item)).toEqual(['Bag salad 150 g', 'Bar 100G']);
  expect(passed.map(({ kind }) => kind)).toEqual(['fee', 'return', 'payment']);
});

test('a weight at a line’s end is no money', () => {
  const { lines, passed } = read('Rolled oats 0.50 kg\nCream 0,25 l\nMilk 1.10 A');
  expect(lines.map(({ item }) => item)).toEqual(['Milk']);
  expect(passed.map(({ item }) => item)).toEqual(['Rolled oats 0.50 kg', 'Cream 0,25 l']);
  const mapping = { headingLines: 0, decimal: '.' as const, columns: { item: 0, price: 1 } };
  expect(receiptLines([['Oats', '0.50 kg']], mapping, given).passed).toMatchObject([{ kind: 'none' }]);
});

test.each([
  ['Milk 2.20\nBread 1.80', true],
  ['BANANEN    1,96 A\n  0,852 kg x 2,30 EUR/kg', true],
  ['item,size,price\nOats,1 kg,1.89', false],
  ['Artikel;Menge;Preis\nOats;1 kg;1,89', false],
  ['item\tprice\nOats 1 kg\t1.89', false],
  ['We met at 7.30', true],
  ['', false],
])('%j is a till’s: %s', (text, is) => {
  expect(isTill(text)).toBe(is);
});
