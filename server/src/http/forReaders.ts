import { READERS_PATH } from '../cards/readersPlace.js';

/** Whether an address is of what anybody may read. */
export function isForReaders(path: string): boolean {
  return path === '/robots.txt' || path.startsWith(`${READERS_PATH}/`);
}
