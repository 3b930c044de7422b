import { idFromName } from '@portiona/core';
import { problemOf } from './problem';

/** Names that are taken one after another before it is given up. */
const MOST_TRIES = 20;

/**
 * Makes something under an id of its name that is free. The page may not know every id that is taken (what is put away, what somebody
 * else has just made): the server does, and the next id is tried then.
 *
 * @param taken ids that the page knows of
 * @param make makes it under an id; rejects with the server's problem
 */
export async function underFreeId<Made>(name: string, taken: Iterable<string>, make: (id: string) => Promise<Made>): Promise<Made> {
  const tried = new Set(taken);
  for (let left = MOST_TRIES; ; left--) {
    const id = idFromName(name, tried);
    try {
      return await make(id);
    } catch (error) {
      if (problemOf(error).status !== 409 || left === 0) throw error;
      tried.add(id);
    }
  }
}
