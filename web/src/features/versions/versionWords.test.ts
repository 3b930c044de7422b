import type { VersionDto } from '../../api/api.gen';
import { changeSentence, reasonsOf, versionDays } from './versionWords';

const version = (revision: number, savedAt: string, because: VersionDto['because'], more: Partial<VersionDto> = {}): VersionDto => ({
  revision,
  savedAt,
  savedBy: 'Owner',
  own: true,
  title: 'Stew',
  because,
  name: null,
  issues: [],
  cooked: [],
  dishes: [],
  ...more,
});

test('versions stand by day; drafts of a day in a row are one row, and never of two days', () => {
  const days = versionDays([
    version(6, '2026-11-25T15:00:00', ['newest']),
    version(5, '2026-11-25T14:00:00', ['draft']),
    version(4, '2026-11-25T13:00:00', ['draft']),
    version(3, '2026-11-24T13:00:00', ['draft']),
    version(2, '2026-11-24T12:00:00', ['named'], { name: 'x' }),
    version(1, '2026-11-24T11:00:00', ['draft']),
  ]);
  expect(
    days.map(({ day, rows }) => [
      day,
      rows.map((row) => ('version' in row ? row.version.revision : row.drafts.map((one) => one.revision))),
    ]),
  ).toEqual([
    ['2026-11-25', [6, [5, 4]]],
    ['2026-11-24', [[3], 2, [1]]],
  ]);
});

test('every reason is said, in words', () => {
  const because: VersionDto['because'] = ['newest', 'published', 'base', 'named', 'day'];
  expect(reasonsOf(version(1, '', because, { name: 'as tested', issues: [1, 3], dishes: ['Soup', 'Pie'] }))).toEqual([
    'as it is now',
    'card, issues 1, 3',
    '2 dishes rest on it',
    '“as tested”',
    'last of its day',
  ]);
  expect(reasonsOf(version(1, '', ['cooked'], { cooked: ['2026-11-26'] }))).toEqual(['cooked 26 Nov']);
  expect(reasonsOf(version(1, '', ['cooked'], { cooked: ['2026-11-12', '2026-11-26'] }))).toEqual(['cooked 2 times']);
  expect(reasonsOf(version(1, '', ['draft']))).toEqual([]);
  expect(reasonsOf(version(1, '', ['overwritten', 'takenBack', 'merged']))).toHaveLength(3);
});

test('a change in a sentence', () => {
  const change = { key: 'a', fields: [], moved: false };
  expect(changeSentence({ ...change, of: 'line', before: '100 g leek', after: '90 g leek' })).toBe('line “100 g leek” is “90 g leek”');
  expect(changeSentence({ ...change, of: 'line', before: '1 egg', after: '1 egg', moved: true, fields: ['food'] })).toBe(
    'line “1 egg” (moved; its food changed)',
  );
  expect(changeSentence({ ...change, of: 'line', before: '1 egg' })).toBe('without line “1 egg”');
  expect(changeSentence({ ...change, of: 'step', after: 'Stir.' })).toBe('one more step: “Stir.”');
  expect(changeSentence({ ...change, of: 'dish', key: 'storage.fridgeDays', before: '3', after: '4' })).toBe(
    'days in the fridge “3” is “4”',
  );
  expect(changeSentence({ ...change, of: 'dish', key: 'brief' })).toBe('brief changed');
});
