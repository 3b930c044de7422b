import { AsyncLocalStorage } from 'node:async_hooks';
import type { DataSource } from 'typeorm';
import type { PendingDeed } from '../audit/deed.js';

/** In which kitchen a piece of work reads and writes; none: rows of no kitchen are seen. */
export interface Within {
  kitchenId: string | undefined;
  /** The request that it is done for, by its id. */
  request?: string | undefined;
  /** What the request under way is about to change, to be noted with it. */
  deed?: PendingDeed;
}

/**
 * The kitchen that connections are opened for, held apart from the scope that services are handed: a query that forgets to say its
 * kitchen finds nothing of another's, because the database itself lets through rows of this one alone (row-level security).
 */
export const wall = new AsyncLocalStorage<Within>();

/** Does work in a kitchen. @param deed what it is about to change there, if anything that is noted */
export function within<Done>(kitchenId: string, work: () => Promise<Done>, deed?: PendingDeed): Promise<Done> {
  return wall.run({ kitchenId, request: wall.getStore()?.request, ...(deed ? { deed } : {}) }, work);
}

/** What the driver holds connections in, as far as it is used here. */
interface Pool {
  connect: (given: (error: Error | undefined, client?: Client, release?: (error?: Error) => void) => void) => void;
}
interface Client {
  query: (text: string, values: readonly string[], done: (error: Error | null) => void) => void;
}

/** Has every connection that is taken say the kitchen it is taken for, where it said another last. */
export function wallOff({ driver }: DataSource): void {
  const pool = (driver as unknown as { readonly master: Pool }).master;
  const connect = pool.connect.bind(pool);
  const said = new WeakMap<Client, string>();
  pool.connect = (given) => {
    const kitchen = wall.getStore()?.kitchenId ?? '';
    connect((error, client, release) => {
      if (error || !client || said.get(client) === kitchen) return given(error, client, release);
      client.query(`SELECT set_config('portiona.kitchen', $1, false)`, [kitchen], (refused) => {
        if (!refused) {
          said.set(client, kitchen);
          return given(undefined, client, release);
        }
        // Whose kitchen it would read is not known: it is let go, and nothing is read by it.
        release?.(refused);
        given(refused);
      });
    });
  };
}
