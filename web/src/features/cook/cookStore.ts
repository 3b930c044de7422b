import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { BatchEdit } from '@portiona/core';
import type { OpenBatchDto } from '../../api/api.gen';
import { keptName } from '../../api/kitchenAtHand';

/** Something measured that has not reached the kitchen yet. */
export interface WaitingEdit {
  /** A UUID, made when it was measured: however often it is sent, it counts once. */
  readonly id: string;
  readonly batch: string;
  readonly edit: BatchEdit;
}

interface Store extends DBSchema {
  /** In the order in which they were made. */
  edits: { key: number; value: WaitingEdit; indexes: { batch: string } };
  /** A batch as the kitchen had it last: what a page begins with that cannot reach it. */
  batches: { key: string; value: OpenBatchDto };
}

let opened: Promise<IDBPDatabase<Store>> | undefined;

function store(): Promise<IDBPDatabase<Store>> {
  opened ??= openDB<Store>(keptName('cook'), 1, {
    upgrade: (made) => {
      made.createObjectStore('edits', { autoIncrement: true }).createIndex('batch', 'batch');
      made.createObjectStore('batches');
    },
  });
  return opened;
}

/** Keeps something measured, before anything else is done with it. */
export async function keepEdit(edit: WaitingEdit): Promise<void> {
  // On the disk before it is said to be kept: the device may be switched off.
  const transaction = (await store()).transaction('edits', 'readwrite', { durability: 'strict' });
  await transaction.store.add(edit);
  await transaction.done;
}

/** What waits of a batch, in its order. */
export async function waitingEdits(batch: string): Promise<WaitingEdit[]> {
  return (await store()).getAllFromIndex('edits', 'batch', batch);
}

/** Forgets what has reached the kitchen, or can never. */
export async function forgetEdits(batch: string, ids: ReadonlySet<string>): Promise<void> {
  const transaction = (await store()).transaction('edits', 'readwrite');
  for (let cursor = await transaction.store.index('batch').openCursor(batch); cursor; cursor = await cursor.continue())
    if (ids.has(cursor.value.id)) await cursor.delete();
  await transaction.done;
}

export async function keepBatch(batch: OpenBatchDto): Promise<void> {
  await (await store()).put('batches', batch, batch.id);
}

/**
 * Weights that were kept here before the browser told kitchens apart, when there was one: they become the kitchen's at hand, and are sent
 * there as if they had been measured now.
 */
export async function adoptEdits(): Promise<void> {
  const there = (await indexedDB.databases()).some(({ name }) => name === BEFORE);
  if (!there) return;
  const before = await openDB<Store>(BEFORE, 1);
  const edits = await before.getAll('edits').catch(() => []);
  before.close();
  for (const edit of edits) await keepEdit(edit);
  indexedDB.deleteDatabase(BEFORE);
}

const BEFORE = 'portiona-cook';

export async function keptBatch(id: string): Promise<OpenBatchDto | undefined> {
  return (await store()).get('batches', id);
}
