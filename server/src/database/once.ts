import { Injectable } from '@nestjs/common';
import { TakenError } from '../http/problems.js';
import { Database } from './database.js';

/** What a request is known by when it is sent again: the key its sender gave it, and what it asks. */
export interface OnceKey {
  readonly key: string;
  /** Method, path and a digest of the body. */
  readonly asks: string;
}

/** Longest an answer is kept for the case that its request is sent again. */
const KEPT = '2 days';

/** Does what is asked once, however often it is sent: the answer is kept in the transaction that it is the answer of. */
@Injectable()
export class Once {
  constructor(private readonly database: Database) {}

  /**
   * Writes alone in the kitchen; a request that was done before under the same key is answered as it was then.
   *
   * @param once left out: the work is done each time
   * @throws TakenError when the key was given to another request
   */
  write<Answer extends object>(kitchenId: string, once: OnceKey | undefined, work: () => Promise<Answer>): Promise<Answer> {
    return this.database.writeAlone(kitchenId, async () => {
      if (!once) return work();
      const { manager } = this.database;
      const [before] = await manager.query<{ asks: string; answer: Answer }[]>(
        'SELECT asks, answer FROM requests_done WHERE kitchen_id = $1 AND key = $2',
        [kitchenId, once.key],
      );
      if (before && before.asks !== once.asks) throw new TakenError('request under the key', once.key);
      if (before) return before.answer;
      const answer = await work();
      await manager.query(`DELETE FROM requests_done WHERE kitchen_id = $1 AND done_at < now() - interval '${KEPT}'`, [kitchenId]);
      await manager.query('INSERT INTO requests_done (kitchen_id, key, asks, answer) VALUES ($1, $2, $3, $4)', [
        kitchenId,
        once.key,
        once.asks,
        JSON.stringify(answer),
      ]);
      return answer;
    });
  }
}
