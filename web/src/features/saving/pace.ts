/** Milliseconds until a server that could not take it is tried again; each time in a row twice as long, up to the longest. */
const AGAIN_MS = 2500;
const LONGEST_AGAIN_MS = 40_000;

/** How long to wait before a save is tried again, after so many that were not taken. */
export function pauseAfter(failures: number): number {
  return Math.min(LONGEST_AGAIN_MS, AGAIN_MS * 2 ** Math.min(failures, 10));
}
