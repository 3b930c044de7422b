import type { AuditEntryDto } from '../../api/api.gen';
import { deedWords, groupedDeeds } from './deedWords';

const entry = (seq: number, more: Partial<AuditEntryDto> = {}): AuditEntryDto => ({
  ...{ seq, at: `2026-11-30T10:00:0${seq}Z`, does: 'saveRecipe', to: 'recipes/soup', through: 'page', from: '10.0.0.1', hash: '' },
  by: { id: 'a', name: 'Tilde' },
  ...more,
});

test('saves of one dish by one person one after the other are one row, with how many they were', () => {
  const groups = groupedDeeds([
    entry(9),
    entry(8),
    entry(7, { to: 'recipes/stew' }),
    entry(6),
    entry(5, { by: { id: 'b', name: 'Bram' } }),
  ]);
  expect(groups.map(({ first, last, times }) => [first.seq, last.seq, times])).toEqual([
    [9, 8, 2],
    [7, 7, 1],
    [6, 6, 1],
    [5, 5, 1],
  ]);
});

test('a deed that has no words of its own is said as the interface calls it', () => {
  expect(deedWords('publishCard')).toBe('published the card of');
  expect(deedWords('numberSeries')).toBe('number series');
});
