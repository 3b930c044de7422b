import fc from 'fast-check';
import Big from 'big.js';
import { allocate } from './allocate.js';

test('ten euros over three boxes are 3.34, 3.33 and 3.33', () => {
  expect(allocate('10.00', [1, 1, 1], 'EUR').map(String)).toEqual(['3.34', '3.33', '3.33']);
  expect(allocate('10', [1, 1, 1], 'JPY').map(String)).toEqual(['4', '3', '3']);
  expect(allocate(5, [0, 0], 'EUR').map(String)).toEqual(['2.5', '2.5']);
  expect(allocate(5, [], 'EUR')).toEqual([]);
});

test('the parts add up to the whole, and none is further than one unit from its share', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 1e7 }),
      fc.array(fc.integer({ min: 0, max: 5000 }), { minLength: 1, maxLength: 20 }),
      (cents, weights) => {
        const total = new Big(cents).div(100);
        const parts = allocate(total, weights, 'EUR');
        expect(parts.reduce((sum, part) => sum.plus(part), new Big(0)).eq(total)).toBe(true);
        const sum = weights.reduce((all, weight) => all + weight, 0);
        parts.forEach((part, i) => {
          const share = (cents / 100) * (sum === 0 ? 1 / weights.length : (weights[i] ?? 0) / sum);
          expect(Math.abs(part.toNumber() - share)).toBeLessThan(0.01 + 1e-6);
        });
      },
    ),
  );
});
