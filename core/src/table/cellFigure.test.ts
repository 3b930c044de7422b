import fc from 'fast-check';
import { cellFigure, decimalOf } from './cellFigure.js';

test.each([
  ['12.5', '.', 12.5],
  ['12,5', ',', 12.5],
  ['12,5', '.', 12.5],
  ['1,234', '.', 1234],
  ['1.234', ',', 1234],
  ['1.234,5', ',', 1234.5],
  ['1 234,5', ',', 1234.5],
  ["1'234.5", '.', 1234.5],
  ['.5', '.', 0.5],
  [' 0 ', '.', 0],
  ['1.2E-02', '.', 0.012],
  ['7\u00a0012', '.', 7012],
] as const)('%j with decimals behind "%s" is %d', (text, decimal, amount) => {
  expect(cellFigure(text, decimal)).toEqual({ kind: 'figure', amount });
});

test.each([
  ['tr', 0, 'trace'],
  ['Tr.', 0, 'trace'],
  ['traces', 0, 'trace'],
  ['(Tr)', 0, 'trace'],
  ['Spuren', 0, 'trace'],
  ['<0.1', 0.05, 'less than'],
  ['< 0,5', 0.25, 'less than'],
  ['&lt;2', 1, 'less than'],
  ['(0.5)', 0.5, 'bracketed'],
  ['[12]', 12, 'bracketed'],
  ['0.5*', 0.5, 'marked'],
  ['0.5†', 0.5, 'marked'],
  ['12.3 a', 12.3, 'marked'],
  ['12.3¹', 12.3, 'marked'],
  ['4.0(b)', 4, 'marked'],
] as const)('%j is %d, noted as %s', (text, amount, note) => {
  expect(cellFigure(text, '.')).toEqual({ kind: 'figure', amount, note });
});

test.each(['', '-', '–', 'N', 'n', 'n/a', 'N.D.', 'nd', '…', '..', '*', 'null', 'not available', 'k.A.'])(
  '%j is unknown, not zero',
  (text) => {
    expect(cellFigure(text, '.')).toEqual({ kind: 'unknown' });
  },
);

test.each([
  ['12 mg', 12, 'mg'],
  ['3.4g', 3.4, 'g'],
  ['560 kJ', 560, 'kJ'],
  ['7 µg', 7, 'ug'],
] as const)('%j brings its unit', (text, amount, unit) => {
  expect(cellFigure(text, '.')).toEqual({ kind: 'figure', amount, unit });
});

test.each(['=1+1', 'abc', '12.3.4', '-5', '>5', '1e300', '0x10', '12 / 5', '1,23,4'])('%j is no figure, and says so', (text) => {
  expect(cellFigure(text, '.').kind).toBe('unreadable');
});

test('about, plus or minus, and soft spaces fall away', () => {
  for (const text of ['~5', 'ca. 5', '5 ± 0.3', '5 +/- 1']) expect(cellFigure(text, '.')).toEqual({ kind: 'figure', amount: 5 });
});

test('any figure written with either comma reads as itself', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 10_000_000 }), fc.integer({ min: 0, max: 3 }), (digits, places) => {
      const amount = digits / 10 ** places;
      const text = amount.toFixed(places);
      expect(cellFigure(text, '.')).toEqual({ kind: 'figure', amount });
      expect(cellFigure(text.replace('.', ','), ',')).toEqual({ kind: 'figure', amount });
    }),
  );
});

test('no text at all breaks it, and no figure is below nothing', () => {
  fc.assert(
    fc.property(fc.string(), fc.constantFrom('.' as const, ',' as const), (text, decimal) => {
      const cell = cellFigure(text, decimal);
      if (cell.kind === 'figure') expect(cell.amount).toBeGreaterThanOrEqual(0);
    }),
  );
});

test('the decimal mark of a table', () => {
  expect(decimalOf(['1,5', '0,12', '12', '1.000'])).toBe(',');
  expect(decimalOf(['1.5', '0.12', '1,000', '2,000'])).toBe('.');
  expect(decimalOf([])).toBe('.');
});
