import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { sameDocument, type Recipe } from '@portiona/core';
import { keptName } from '../../api/kitchenAtHand';

/** What undoing and redoing leads to, nearest last and nearest first. */
export interface UndoSteps {
  readonly past: readonly Recipe[];
  readonly present: Recipe;
  readonly future: readonly Recipe[];
}

/** Where a recipe stands among its steps, which are known by numbers, in order. */
interface Line {
  readonly order: readonly number[];
  readonly at: number;
  /** Milliseconds since 1970. */
  readonly writtenAt: number;
}

interface Store extends DBSchema {
  steps: { key: [string, number]; value: Recipe };
  lines: { key: string; value: Line };
}

/** Milliseconds: a draft that nobody has touched for so long is a version by now. */
const LONGEST_KEPT = 7 * 24 * 3600 * 1000;

/** Milliseconds. */
const LONGEST_WAIT = 1500;

/** The number of each step that this page has written or read. */
const numbers = new WeakMap<Recipe, number>();
let last = 0;
let opened: Promise<IDBPDatabase<Store>> | undefined;
/** Writings go one after the other, so that an older one never lands on a newer. */
let writing: Promise<void> = Promise.resolve();

function store(): Promise<IDBPDatabase<Store>> {
  opened ??= openDB<Store>(keptName('undo'), 1, {
    upgrade: (made) => {
      made.createObjectStore('steps');
      made.createObjectStore('lines');
    },
  });
  return opened;
}

/** Rising, and apart from what another page writes. */
function nextNumber(): number {
  last = Math.max(last + 1, Date.now() * 1000 + Math.floor(Math.random() * 1000));
  return last;
}

/**
 * Keeps the steps of a recipe in the browser: only those that are new are written, and those that are no longer among them go. A
 * browser that keeps nothing only costs the undoing after a reload.
 */
export function keepSteps(id: string, { past, present, future }: UndoSteps, now = Date.now()): Promise<void> {
  writing = writing
    .then(async () => {
      const database = await store();
      const transaction = database.transaction(['steps', 'lines'], 'readwrite');
      const steps = transaction.objectStore('steps');
      const before = await transaction.objectStore('lines').get(id);
      const known = new Set(before?.order);
      const order: number[] = [];
      for (const step of [...past, present, ...future]) {
        const number = numbers.get(step) ?? nextNumber();
        numbers.set(step, number);
        order.push(number);
        if (!known.delete(number)) void steps.put(step, [id, number]);
      }
      for (const gone of known) void steps.delete([id, gone]);
      void transaction.objectStore('lines').put({ order, at: past.length, writtenAt: now }, id);
      await transaction.done;
    })
    .catch(() => undefined);
  return writing;
}

/**
 * What undoing leads to in a recipe that is opened, as it was left. Where another stands there now than was left, what was left is
 * one step back.
 *
 * @param stands what the recipe is now
 */
export async function stepsBefore(id: string, stands: Recipe, now = Date.now()): Promise<Pick<UndoSteps, 'past' | 'future'>> {
  // A store that another page is holding up holds up no recipe.
  const late = new Promise<typeof NONE>((resolve) => setTimeout(() => resolve(NONE), LONGEST_WAIT));
  return Promise.race([readSteps(id, stands, now), late]);
}

async function readSteps(id: string, stands: Recipe, now: number): Promise<Pick<UndoSteps, 'past' | 'future'>> {
  try {
    await writing;
    const database = await store();
    await forgetOld(database, now);
    const transaction = database.transaction(['steps', 'lines']);
    const line = await transaction.objectStore('lines').get(id);
    if (!line) return NONE;
    const read = await Promise.all(
      line.order.map(async (number) => ({ number, step: await transaction.objectStore('steps').get([id, number]) })),
    );
    const steps = read.map(({ number, step }) => {
      if (step) numbers.set(step, number);
      return step;
    });
    const there = (some: readonly (Recipe | undefined)[]) => some.filter((step) => step !== undefined);
    const left = steps[line.at];
    if (left && sameDocument(left, stands)) {
      numbers.set(stands, line.order[line.at] ?? nextNumber());
      return { past: there(steps.slice(0, line.at)), future: there(steps.slice(line.at + 1)) };
    }
    return { past: there(steps.slice(0, line.at + 1)), future: [] };
  } catch {
    return NONE;
  }
}

const NONE = { past: [], future: [] };

async function forgetOld(database: IDBPDatabase<Store>, now: number): Promise<void> {
  const transaction = database.transaction(['steps', 'lines'], 'readwrite');
  const lines = transaction.objectStore('lines');
  for (const id of await lines.getAllKeys()) {
    const line = await lines.get(id);
    if (!line || now - line.writtenAt < LONGEST_KEPT) continue;
    for (const number of line.order) void transaction.objectStore('steps').delete([id, number]);
    void lines.delete(id);
  }
  await transaction.done;
}
