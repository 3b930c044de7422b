import 'fake-indexeddb/auto';
import type { OpenBatchDto } from '../../api/api.gen';
import { forgetEdits, keepBatch, keepEdit, keptBatch, waitingEdits, type WaitingEdit } from './cookStore';

const edit = (id: string, step: number, batch = 'a'): WaitingEdit => ({ id, batch, edit: { do: 'step', step } });

test('what was measured waits in its order, of its own batch, until it is forgotten', async () => {
  for (const one of [edit('1', 1), edit('2', 2, 'b'), edit('3', 3), edit('4', 4)]) await keepEdit(one);
  expect((await waitingEdits('a')).map(({ id }) => id)).toEqual(['1', '3', '4']);
  await forgetEdits('a', new Set(['1', '2', '4']));
  expect(await waitingEdits('a')).toEqual([edit('3', 3)]);
  // Of another batch nothing is forgotten, though it was named.
  expect((await waitingEdits('b')).map(({ id }) => id)).toEqual(['2']);
  expect(await waitingEdits('c')).toEqual([]);
});

test('what comes while others are being sent stands behind them', async () => {
  await keepEdit(edit('x1', 1, 'x'));
  const sent = await waitingEdits('x');
  await keepEdit(edit('x2', 2, 'x'));
  await forgetEdits('x', new Set(sent.map(({ id }) => id)));
  expect((await waitingEdits('x')).map(({ id }) => id)).toEqual(['x2']);
});

test('a batch is kept as it was last, each under its own name', async () => {
  const batch = (revision: number, id = 'a'): OpenBatchDto => ({
    ...{ id, revision, savedAt: '', recipeRevision: 1, recipes: [], foods: [], siblings: [] },
    document: { id, recipe: 'r', date: '2026-11-20' },
  });
  expect(await keptBatch('a')).toBeUndefined();
  await keepBatch(batch(1));
  await keepBatch(batch(2));
  await keepBatch(batch(7, 'b'));
  expect((await keptBatch('a'))?.revision).toBe(2);
  expect((await keptBatch('b'))?.revision).toBe(7);
});
