/** Told when a change was not taken, because whoever made it may only look. */
const listeners = new Set<() => void>();

/** @returns what ends the listening */
export function onChangeNotTaken(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Tells that a change was not taken. */
export function tellNotTaken(): void {
  for (const listener of listeners) listener();
}
