/** Whether the server has said that nobody is signed in any more: what is on the page is kept, and one signs in again. */
let is = false;
const listeners = new Set<() => void>();

export function noteSignedOut(): void {
  if (is) return;
  is = true;
  for (const listener of listeners) listener();
}

export function isSignedOut(): boolean {
  return is;
}

export function onSignedOut(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}
