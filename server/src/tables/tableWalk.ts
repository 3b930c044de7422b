import type { TableFood } from '@portiona/core';
import type { TableFaultDto, TableReadingDto } from './table.dto.js';
import { tableFoods } from './tableReader.js';

/** Foods handed on, and written, by one round trip. */
const AT_ONCE = 500;
/** Milliseconds that rows are gone through without letting anyone else in. */
const LONGEST_HOLD = 8;

/** What is told while a table is walked. */
export interface TableWalker {
  readonly food?: (food: TableFood) => void;
  readonly fault?: (fault: TableFaultDto) => void;
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
  mapping: TableReadingDto,
  on: TableWalker,
): Promise<{ readonly rows: number; readonly leftOut: number; readonly faults: number }> {
  const counts = { rows: 0, leftOut: 0, faults: 0 };
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
    if (!food) counts.leftOut++;
    else {
      on.food?.(food);
      some.push(food);
    }
    if (some.length >= AT_ONCE) {
      await on.some(some);
      some = [];
    }
  }
  if (some.length > 0) await on.some(some);
  return counts;
}
