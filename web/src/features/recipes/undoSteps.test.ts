import { keptName } from '../../api/kitchenAtHand';
import 'fake-indexeddb/auto';
import type { Recipe } from '@portiona/core';
import { keepSteps, stepsBefore } from './undoSteps';

const step = (title: string): Recipe => ({ id: 'dish', title, servings: 1, parts: [] });
const [a, b, c, d] = [step('a'), step('b'), step('c'), step('d')];
const DAY = 24 * 3600 * 1000;
const titles = (some: readonly Recipe[]) => some.map(({ title }) => title).join('');
const before = async (id: string, stands: Recipe, now?: number) => {
  const { past, future } = await stepsBefore(id, stands, now);
  return [titles(past), titles(future)];
};

test('what undoing and redoing leads to is there again', async () => {
  await keepSteps('dish', { past: [a, b], present: c, future: [d] });
  expect(await before('dish', step('c'))).toEqual(['ab', 'd']);
  // As it is after an undo, with a document from the server in the middle.
  await keepSteps('dish', { past: [a], present: b, future: [c, d] });
  expect(await before('dish', step('b'))).toEqual(['a', 'cd']);
  await keepSteps('dish', { past: [a, b], present: step('e'), future: [] });
  expect(await before('dish', step('e'))).toEqual(['ab', '']);
});

test('where another stands there now, what was left is one step back', async () => {
  await keepSteps('dish', { past: [a], present: b, future: [c] });
  expect(await before('dish', step('theirs'))).toEqual(['ab', '']);
});

test('each recipe has its own; of what nobody touched for a week nothing is kept', async () => {
  await keepSteps('other', { past: [a], present: b, future: [] }, 1000);
  await keepSteps('dish', { past: [c], present: d, future: [] }, 1000 + 2 * DAY);
  expect(await before('other', step('b'), 1000 + 6 * DAY)).toEqual(['a', '']);
  expect(await before('nowhere', a, 1000 + 6 * DAY)).toEqual(['', '']);
  expect(await before('other', step('b'), 1000 + 8 * DAY)).toEqual(['', '']);
  expect(await before('dish', step('d'), 1000 + 8 * DAY)).toEqual(['c', '']);
});

test('what is kept of it does not grow with each time it is kept', async () => {
  const count = async () => {
    const database = await new Promise<IDBDatabase>((resolve) => {
      const asked = indexedDB.open(keptName('undo'));
      asked.onsuccess = () => resolve(asked.result);
    });
    const found = await new Promise<number>((resolve) => {
      const asked = database
        .transaction('steps')
        .objectStore('steps')
        .count(IDBKeyRange.bound(['grown'], ['grown', []]));
      asked.onsuccess = () => resolve(asked.result);
    });
    database.close();
    return found;
  };
  for (let i = 0; i < 5; i++) await keepSteps('grown', { past: [a, b], present: c, future: [d] });
  expect(await count()).toBe(4);
  await keepSteps('grown', { past: [a, b], present: d, future: [] });
  expect(await count()).toBe(3);
});
