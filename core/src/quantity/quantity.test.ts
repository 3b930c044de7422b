import fc from 'fast-check';
import { midpointOf, relativeHalfWidth, timesAmount } from './amount.js';
import { compensatedSum } from './compensatedSum.js';
import { gramsOfKitchenWord, KITCHEN_WORDS } from './kitchenWords.js';
import { gramsOfMassUnit, MASS_UNITS } from './massUnits.js';
import { cookText, numberFromText, plainText } from './numberText.js';
import { roundHalfAway } from './roundHalfAway.js';
import { isVolumeWord, millilitresOf, VOLUME_UNITS } from './volumeUnits.js';

test.each(MASS_UNITS.map((unit) => [unit.word, unit.grams] as const))('one %s weighs %d g', (word, grams) => {
  expect(gramsOfMassUnit(word)).toBe(grams);
});

test.each(VOLUME_UNITS.map((unit) => [unit.name, unit] as const))('%s is found by its bare word in its system', (_, unit) => {
  expect(millilitresOf(unit.word, unit.system ?? 'metric')).toBe(unit.millilitres);
  expect(isVolumeWord(unit.word)).toBe(true);
});

test.each([
  ['floz', 'metric'],
  ['pint', 'au'],
  ['quart', 'metric'],
] as const)('there is no %s in %s measures', (word, system) => {
  expect(millilitresOf(word, system)).toBeUndefined();
});

test('sixteen ounces make a pound, four cups a quart, in each system that has them', () => {
  expect(16 * (gramsOfMassUnit('oz') ?? 0)).toBeCloseTo(gramsOfMassUnit('lb') ?? 0, 10);
  for (const system of ['us', 'imperial'] as const)
    expect(4 * (millilitresOf('cup', system) ?? 0)).toBeCloseTo(millilitresOf('quart', system) ?? 0, 5);
});

test.each(KITCHEN_WORDS.map(({ word, grams }) => [word, grams] as const))('a %s usually weighs %d g', (word, grams) => {
  expect(gramsOfKitchenWord(word)).toBe(grams);
  expect(grams).toBeGreaterThan(0);
});

test.each([
  ['2', 2],
  ['1 1/2', 1.5],
  ['1 ½', 1.5],
  ['1½', 1.5],
  ['⅔', 2 / 3],
  ['0.75', 0.75],
  ['0,75', 0.75],
  ['1,5', 1.5],
  ['1,200', 1200],
  ['1⁄4', 0.25],
])('reads the number %s', (text, number) => {
  expect(numberFromText(text)).toBeCloseTo(number, 12);
});

test.each(['', 'two', '1a', '1/0', '--1'])('does not read "%s" as a number', (text) => {
  expect(numberFromText(text)).toBeUndefined();
});

test.each([
  [2.6666666, '2 ⅔'],
  [0.5, '½'],
  [1.25, '1 ¼'],
  [300, '300'],
  [2.45, '2.45'],
  [0.999999999, '1'],
])('writes %d as a cook does', (figure, text) => {
  expect(cookText(figure)).toBe(text);
});

test('plain text has no trailing zeros', () => expect(plainText(1.5, 2)).toBe('1.5'));

test.each([
  [19.95, 0.1, 20],
  [0.45, 0.1, 0.5],
  [2.5, 1, 3],
  [-2.5, 1, -3],
  [1304.9, 10, 1300],
  [-0.2, 1, 0],
])('%d to the nearest %d is %d, half away from zero', (figure, step, rounded) => {
  expect(roundHalfAway(figure, step)).toBe(rounded);
  expect(Object.is(roundHalfAway(figure, step), -0)).toBe(false);
});

test('rounding moves a number by at most half a step', () => {
  fc.assert(
    fc.property(fc.double({ min: -1e6, max: 1e6, noNaN: true }), fc.constantFrom(0.01, 0.1, 0.5, 1, 5, 10), (figure, step) => {
      expect(Math.abs(roundHalfAway(figure, step) - figure)).toBeLessThanOrEqual(step / 2 + 1e-6);
    }),
  );
});

test('a sum does not depend on its order', () => {
  expect(compensatedSum([0.1, 0.2, 0.3, 1e16, -1e16])).toBeCloseTo(0.6, 12);
  fc.assert(
    fc.property(fc.array(fc.double({ min: 0, max: 1e6, noNaN: true })), (terms) => {
      const forwards = compensatedSum(terms);
      expect(Math.abs(forwards - compensatedSum([...terms].reverse()))).toBeLessThanOrEqual(1e-12 * forwards);
    }),
  );
});

test('a range computes with its midpoint and keeps both ends', () => {
  expect(midpointOf([4, 6])).toBe(5);
  expect(relativeHalfWidth([150, 250])).toBe(0.25);
  expect(timesAmount([2, 3], 2)).toEqual([4, 6]);
  expect(relativeHalfWidth([0, 0])).toBe(0);
});
