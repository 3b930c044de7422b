import type { Food } from '../food/index.js';
import { shareDearer } from './money.js';
import { agoText, priceChange, priceHistory } from './priceHistory.js';

const oats: Food = { id: 'oats', name: 'Oats', measures: { bag: 500 } };
const pack = (shop: string, net: number, unit: string, price: string, seen: string) => ({
  food: 'oats',
  net,
  unit,
  price,
  currency: 'EUR',
  shop,
  seen,
});

test('prices stand by pack, oldest first, the cheapest pack first', () => {
  const history = priceHistory(oats, [
    pack('A', 1, 'kg', '2.00', '2026-09-01'),
    pack('B', 500, 'g', '0.80', '2026-10-01'),
    pack('A', 1, 'kg', '1.80', '2026-03-01'),
    pack('A', 1, 'bag', '0.90', '2026-09-01'),
    pack('C', 1, 'crate', '9.00', '2026-09-01'),
  ]);
  expect(history.map(({ shop, net, unit, prices, latest }) => [shop, net, unit, prices.map(({ price }) => price), latest.perKg])).toEqual([
    ['B', 500, 'g', [0.8], 1.6],
    ['A', 1, 'bag', [0.9], 1.8],
    ['A', 1, 'kg', [1.8, 2], 2],
    ['C', 1, 'crate', [9], undefined],
  ]);
});

test('a price against one before, and against nothing', () => {
  expect(shareDearer('2.00', '2.50')).toBe(0.25);
  expect(shareDearer('0.00', '2.50')).toBeUndefined();
});

test('how far a price moved since it was first seen', () => {
  const change = (...prices: string[]) =>
    priceHistory(
      oats,
      prices.map((price, i) => pack('A', 1, 'kg', price, `2026-0${i + 1}-01`)),
    ).map(priceChange);
  expect(change('2.00', '9.00', '2.50')).toEqual([0.25]);
  expect(change('2.00')).toEqual([undefined]);
  expect(change('0.00', '2.50')).toEqual([undefined]);
});

test.each([
  ['2026-11-25', 'today'],
  ['2026-11-24', 'yesterday'],
  ['2026-11-20', '5 days ago'],
  ['2026-09-08', '11 weeks ago'],
  ['2026-03-20', '8 months ago'],
])('%s was %s', (seen, words) => {
  expect(agoText(seen, '2026-11-25')).toBe(words);
});
