import { rowDoubts, settledRow, type RowDoubt, type RowWays, type TableFood } from '@portiona/core';
import type { TableFaultDto, TakeTableDto } from './table.dto.js';
import { tableFoods } from './tableReader.js';

/** Foods handed on, and written, by one round trip. */
const AT_ONCE = 500;
/** Milliseconds that rows are gone through without letting anyone else in. */
const LONGEST_HOLD = 8;

/** What is told while a table is walked. */
export interface TableWalker {
  /** A food as its row says it. */
  readonly read?: (food: TableFood) => void;
  /** One that is taken, as it is taken. */
  readonly food?: (food: TableFood) => void;
  readonly fault?: (fault: TableFaultDto) => void;
  /** A row that cannot be right, before anything is done with it. */
  readonly doubtful?: (row: number, food: TableFood, doubts: readonly RowDoubt[]) => void;
  /** One of which nobody said what to do with it. */
  readonly unsaid?: (row: number, food: TableFood, doubt: RowDoubt) => void;
  readonly some: (foods: readonly TableFood[]) => Promise<void>;
  readonly bytes?: (bytes: number) => void;
}

/**
 * Walks a table: every food and fault told as it comes, foods handed on some at a time.
 *
 * @returns rows gone through, those left out, and cells at fault
 * @throws RefusedFileError
 */
export async function walkTable(
  path: string,
  { mapping, doubtful = {} }: Pick<TakeTableDto, 'mapping' | 'doubtful'>,
  on: TableWalker,
): Promise<{ readonly rows: number; readonly leftOut: number; readonly faults: number }> {
  const counts = { rows: 0, leftOut: 0, faults: 0 };
  const energyTaken = mapping.columns.some(({ target }) => target === 'energy');
  let since = performance.now();
  let some: TableFood[] = [];
  for await (const { number, food, faults } of tableFoods(path, mapping, on.bytes)) {
    // Rows come as fast as they are read: others are let in between.
    if (performance.now() - since > LONGEST_HOLD) {
      await new Promise((resolve) => setImmediate(resolve));
      since = performance.now();
    }
    counts.rows++;
    counts.faults += faults.length;
    for (const { heading, message } of faults) on.fault?.({ row: number, heading, message });
    if (food) on.read?.(food);
    const taken = food && settled(number, food, energyTaken, doubtful, on);
    if (!taken) counts.leftOut++;
    else {
      on.food?.(taken);
      some.push(taken);
    }
    if (some.length >= AT_ONCE) {
      await on.some(some);
      some = [];
    }
  }
  if (some.length > 0) await on.some(some);
  return counts;
}

/** The food a row comes to by what was said of doubtful ones; undefined where it is left out. */
function settled(row: number, read: TableFood, energyTaken: boolean, ways: RowWays, on: TableWalker): TableFood | undefined {
  const doubts = rowDoubts(read.food, energyTaken);
  if (doubts.length === 0) return read;
  on.doubtful?.(row, read, doubts);
  const end = settledRow(read.food, doubts, ways);
  if (end.kind === 'taken') return { ...read, food: end.food };
  if (end.kind === 'unsaid') on.unsaid?.(row, read, end.doubt);
  return undefined;
}
