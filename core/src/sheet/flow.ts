import type { Item } from './stack.js';

/** Items that a column of a page holds, and how high they are together. */
export interface FilledColumn {
  readonly items: readonly Item[];
  readonly height: number;
}

/**
 * Pours items into columns one after the other: what does not fit goes on in the next, a heading with what it heads, a long paragraph
 * parted where two of its lines at least stand on either side.
 *
 * @param roomOf height of the nth column
 */
export function poured(items: readonly Item[], roomOf: (column: number) => number): readonly FilledColumn[] {
  const columns: FilledColumn[] = [];
  let left = [...items];
  while (left.length > 0) {
    const [column, rest] = filledColumn(left, roomOf(columns.length));
    columns.push(column);
    left = rest;
  }
  return columns;
}

function filledColumn(items: readonly Item[], room: number): [FilledColumn, Item[]] {
  const taken: Item[] = [];
  let height = 0;
  let i = 0;
  for (; i < items.length; i++) {
    const item = items[i];
    if (!item) break;
    const gap = taken.length === 0 ? 0 : item.gap;
    if (height + gap + item.height <= room + 1e-6) {
      taken.push(item);
      height += gap + item.height;
      continue;
    }
    const parted = item.split?.(room - height - gap);
    if (parted) {
      taken.push(parted[0]);
      return [{ items: taken, height: height + gap + parted[0].height }, [parted[1], ...items.slice(i + 1)]];
    }
    break;
  }
  // A heading goes along with what it heads.
  while (taken.length > 0 && i < items.length && taken.at(-1)?.keepsNext) {
    taken.pop();
    i--;
  }
  // What is higher than a whole page is put where it is: nothing is dropped.
  if (taken.length === 0) return [{ items: items.slice(0, 1), height: items[0]?.height ?? 0 }, items.slice(1)];
  return [{ items: taken, height: taken.reduce((sum, item, n) => sum + item.height + (n === 0 ? 0 : item.gap), 0) }, items.slice(i)];
}
