import { heightOf, type Item } from './stack.js';

/**
 * Items with what is left of their column's height given to the gaps between them, up to so much each.
 *
 * @param room height of the column
 * @param most added to a gap
 * @param lastAtFoot the last one stands at the foot of the column, whatever is left over
 */
export function spreadOut(items: readonly Item[], room: number, most: number, lastAtFoot = true): readonly Item[] {
  const gaps = items.length - 1;
  const free = room - heightOf(items);
  if (gaps < 1 || free <= 0) return items;
  const each = Math.min(most, free / gaps);
  const rest = free - each * gaps;
  return items.map((item, i) => (i === 0 ? item : { ...item, gap: item.gap + each + (i === gaps && lastAtFoot ? rest : 0) }));
}
