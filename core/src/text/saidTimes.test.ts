import fc from 'fast-check';
import { lastDigitOf, SAID_NUMBER, saidNumber } from './saidNumber.js';
import { saidTimes } from './saidTimes.js';

test.each([
  ['44', 44],
  ['1,200', 1200],
  ['2,5', 2.5],
  ['1/2', 0.5],
  ['1 1/2', 1.5],
  ['2½', 2.5],
  ['three', 3],
  ['forty-five', 45],
  ['four hundred and fifty', 450],
  ['a dozen', 12],
  ['half a dozen', 6],
  ['two and a half', 2.5],
])('“%s” is %s', (text, number) => {
  expect(new RegExp(`^${SAID_NUMBER}$`, 'i').test(text)).toBe(true);
  expect(saidNumber(text)).toBe(number);
});

test('every whole number that is written in figures is read as itself', () => {
  fc.assert(fc.property(fc.integer({ min: 0, max: 999_999 }), (number) => saidNumber(String(number)) === number));
});

test.each([
  ['44', 1],
  ['2.5', 0.1],
  ['1.20', 0.01],
  ['five', 1],
])('“%s” is written to the nearest %s', (text, unit) => {
  expect(lastDigitOf(text)).toBeCloseTo(unit, 12);
});

test.each<[string, [number, number][]]>([
  ['Simmer for 25 min.', [[25, 25]]],
  [
    '10 to 12 minutes, then 1 h 20',
    [
      [10, 12],
      [80, 80],
    ],
  ],
  ['half an hour', [[30, 30]]],
  ['an hour and a half', [[90, 90]]],
  ['three quarters of an hour', [[45, 45]]],
  ['two and a half hours', [[150, 150]]],
  ['fifteen minutes', [[15, 15]]],
  ['1 1/2 hours', [[90, 90]]],
  ['25 minutes, 4 boxes', [[25, 25]]],
  ['30 seconds', [[0.5, 0.5]]],
  ['keeps 3 days, 200 °C', []],
])('“%s” says %j', (text, times) => {
  expect(saidTimes(text).map(({ low, high }) => [low, high])).toEqual(times);
});

test('where a time stands is where its words are', () => {
  const text = 'Ready in forty-five minutes.';
  const [time] = saidTimes(text);
  expect(time && text.slice(time.from, time.to)).toBe('forty-five minutes');
  expect(saidTimes('a 30-minute dinner')[0]?.joined).toBe(true);
});
