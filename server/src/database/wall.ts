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
/** A connection, as far as it is used here. */
export interface Client {
  query: ((text: string, values: readonly string[], done: (error: Error | null) => void) => void) & ((text: string) => Promise<unknown>);
}

/** The kitchen that each connection has said last. */
const said = new WeakMap<Client, string>();
/** Set while a connection is taken that says its kitchen itself, together with what it is taken for. */
const bare = new AsyncLocalStorage<boolean>();

const UUID = /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

let longestWait = 0;

/** Milliseconds that somebody waited at most for a connection since this was asked last. */
export function connectionWait(): number {
  const found = longestWait;
  longestWait = 0;
  return found;
}

/** Has every connection that is taken say the kitchen it is taken for, where it said another last. */
export function wallOff({ driver }: DataSource): void {
  const pool = (driver as unknown as { readonly master: Pool }).master;
  const connect = pool.connect.bind(pool);
  pool.connect = (given) => {
    const kitchen = wall.getStore()?.kitchenId ?? '';
    const isBare = bare.getStore() === true;
    const asked = performance.now();
    connect((error, client, release) => {
      longestWait = Math.max(longestWait, performance.now() - asked);
      if (error || !client || isBare || said.get(client) === kitchen) return given(error, client, release);
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

/**
 * Takes a connection and begins a transaction on it in the kitchen at hand: the kitchen and the beginning are said at once, so that one
 * answer is waited for and not three.
 *
 * @param take gives the connection; it is in no kitchen yet
 */
export async function begin(take: () => Promise<Client>, isolation: 'READ COMMITTED' | 'REPEATABLE READ'): Promise<Client> {
  const kitchen = wall.getStore()?.kitchenId ?? '';
  if (kitchen !== '' && !UUID.test(kitchen)) throw new Error('a kitchen is known by a UUID');
  const client = await bare.run(true, take);
  const within = said.get(client) === kitchen ? '' : `; SELECT set_config('portiona.kitchen', '${kitchen}', false)`;
  // Until it has ended well nobody knows what it says: a transaction that is taken back takes that back, too.
  said.delete(client);
  await client.query(`START TRANSACTION ISOLATION LEVEL ${isolation}${within}`);
  return client;
}

/** Ends a transaction that `begin` has begun. */
export async function end(client: Client, how: 'COMMIT' | 'ROLLBACK'): Promise<void> {
  const kitchen = wall.getStore()?.kitchenId ?? '';
  await client.query(how);
  if (how === 'COMMIT') said.set(client, kitchen);
}
