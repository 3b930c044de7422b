import fc from 'fast-check';
import { sumFromText } from './sumText.js';

test.each([
  ['1930', 1930],
  ['3140-1210', 1930],
  ['3140 - 1210 + 20', 1950],
  ['3 140', undefined],
  ['1,200 – 0,5', 1199.5],
  ['1 ½', 1.5],
  ['-20', -20],
  ['', undefined],
  ['3140-', undefined],
  ['3140--20', undefined],
  ['12 g', undefined],
  ['1e3', undefined],
])('“%s” comes to %s', (text, sum) => {
  expect(sumFromText(text)).toBe(sum);
});

test('a sum of any numbers is their sum', () => {
  const numbers = fc.array(fc.integer({ min: 0, max: 9999 }), { minLength: 1, maxLength: 6 });
  fc.assert(
    fc.property(numbers, fc.array(fc.boolean(), { minLength: 6, maxLength: 6 }), (amounts, plus) => {
      const text = amounts.map((one, i) => (i === 0 ? '' : plus[i] ? ' + ' : '-') + String(one)).join('');
      expect(sumFromText(text)).toBe(amounts.reduce((sum, one, i) => (i === 0 || plus[i] ? sum + one : sum - one), 0));
    }),
  );
});
