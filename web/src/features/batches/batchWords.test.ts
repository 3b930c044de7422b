import type { LoggedBatchDto } from '../../api/api.gen';
import { batchDay, batchNote, isUnusual, laneRange } from './batchWords';

const ROW: LoggedBatchDto = {
  ...{ id: 'b', recipe: 'r', title: 'R', date: '2026-11-26', revision: 1, boxes: 5, servingName: 'box', cooking: false },
  ...{
    variant: null,
    by: null,
    note: null,
    rating: null,
    photo: null,
    leaveOut: false,
    different: 0,
    activeMinutes: null,
    totalMinutes: null,
  },
  ...{ energyKcal: null, used: null, usedAtLeast: false, paid: null, yields: [], unusual: false, uncomputed: null },
};

test('a batch is told by its day, who cooked it and what was different', () => {
  expect(batchDay('2026-11-26')).toBe('Thu 26 November');
  expect(batchNote(ROW)).toBe('');
  expect(batchNote({ ...ROW, by: 'Bram' })).toBe('Bram');
  expect(batchNote({ ...ROW, by: 'Bram', different: 1 })).toBe('Bram: one line weighed or otherwise');
  expect(batchNote({ ...ROW, by: 'Bram', note: 'Caught.', variant: 'lean', different: 3 })).toBe('Bram: “lean”, Caught.');
  expect(batchNote({ ...ROW, cooking: true })).toBe('being cooked');
});

test('a yield is unusual outside its limits, and nowhere where there are none', () => {
  expect(isUnusual({ factor: 0.7, low: 0.8, high: 0.9 })).toBe(true);
  expect(isUnusual({ factor: 0.95, low: 0.8, high: 0.9 })).toBe(true);
  expect(isUnusual({ factor: 0.9, low: 0.8, high: 0.9 })).toBe(false);
  expect(isUnusual({ factor: 0.7, low: null, high: null })).toBe(false);
  expect(isUnusual({ factor: null, low: 0.8, high: 0.9 })).toBe(false);
});

test('a lane holds everything in it with room at its sides, of one and of none as well', () => {
  const [low, high] = laneRange([0.8, 0.9]);
  expect(low).toBeLessThan(0.8);
  expect(high).toBeGreaterThan(0.9);
  const [least, most] = laneRange([5]);
  expect(least).toBeLessThan(5);
  expect(most).toBeGreaterThan(5);
  expect(laneRange([])).toEqual([0, 1]);
});
