import fc from 'fast-check';
import { rowBasis } from './rowBasis.js';

test.each([
  ['100 g', 100, 'g'],
  ['100g', 100, 'g'],
  ['per 100 g edible portion', 100, 'g'],
  ['100 ML', 100, 'ml'],
  ['1 kg', 1000, 'g'],
  ['0,5 l', 500, 'ml'],
  ['1,000 g', 1000, 'g'],
  ['1 cup (240 g)', 240, 'g'],
  ['1 cup (240 ml, 248 g)', 248, 'g'],
  ['1 oz (28 g)', 28, 'g'],
  ['100', 100, 'g'],
] as const)('%j is %d %s', (cell, amount, unit) => {
  expect(rowBasis(cell, 'g')).toEqual({ amount, unit });
});

test.each(['', '1 slice', '30 g or 45 g', '0 g', '1 fl oz', 'per serving', 'g', '-100 g '.repeat(30)])('%j says no basis', (cell) => {
  expect(rowBasis(cell, 'g')).toBeUndefined();
});

test('a number alone is in the table’s usual unit', () => {
  expect(rowBasis('100', 'ml')).toEqual({ amount: 100, unit: 'ml' });
});

test('whatever it reads is a weight or a volume above nothing', () => {
  fc.assert(
    fc.property(fc.string(), (text) => {
      const basis = rowBasis(text, 'g');
      if (basis) expect(basis.amount).toBeGreaterThan(0);
    }),
  );
});
