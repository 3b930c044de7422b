import { docketText, leastText, numberText, priceText } from './numberText';

test('thousands are set apart, halves go away from zero', () => {
  expect(numberText(1125, 0)).toBe('1,125');
  expect(numberText(0.25, 1)).toBe('0.3');
  expect(numberText(-0.04, 1)).toBe('0.0');
});

test('a docket figure has a decimal while it says something', () => {
  expect(docketText(23.14)).toBe('23.1');
  expect(docketText(99.94)).toBe('99.9');
  expect(docketText(99.96)).toBe('100');
});

test('money with its sign, "at least" with its space', () => {
  expect(priceText(1.355, 'EUR')).toBe('€ 1.36');
  expect(priceText(12, 'SEK')).toBe('SEK 12.00');
  expect(leastText({ gaps: ['a/1'] })).toBe('at least ');
  expect(leastText({ gaps: [] })).toBe('');
});
