/** Whether two documents say the same, whatever order their keys stand in: the database keeps an order of its own. */
export function sameDocument(one: unknown, other: unknown): boolean {
  return JSON.stringify(inOrder(one)) === JSON.stringify(inOrder(other));
}

function inOrder(found: unknown): unknown {
  if (Array.isArray(found)) return found.map(inOrder);
  if (typeof found !== 'object' || found === null) return found;
  return Object.fromEntries(
    Object.entries(found)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, inside]) => [key, inOrder(inside)]),
  );
}
