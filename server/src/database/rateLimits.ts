import { Injectable, type OnModuleDestroy } from '@nestjs/common';
import { Pool } from 'pg';
import { RateLimiterMemory, RateLimiterPostgres, RateLimiterRes, type RateLimiterAbstract } from 'rate-limiter-flexible';
import { TooOftenError } from '../http/problems.js';
import { applicationRole } from './applicationRole.js';

/** Seconds that clocks of several servers may differ by. */
const CLOCKS_DIFFER = 60;

/** How often something may be done: times, within how many seconds, and for how many it is refused after that. */
export interface Limit {
  readonly name: string;
  readonly times: number;
  readonly within: number;
  readonly refusedFor?: number;
}

/** Counts how often something was done, for all servers on the database together. */
@Injectable()
export class RateLimits implements OnModuleDestroy {
  #pool: Pool | undefined;
  readonly #limiters = new Map<string, RateLimiterAbstract>();

  /** @param key of whoever does it @throws TooOftenError when it was done too often */
  async count(limit: Limit, key: string): Promise<void> {
    try {
      await this.#of(limit).consume(key);
    } catch (error) {
      if (!(error instanceof RateLimiterRes)) throw error;
      throw new TooOftenError('this was tried too often', await this.#atMost(longestOf(limit), limit, key, error));
    }
  }

  /** How often it was done by now. */
  async counted(limit: Limit, key: string): Promise<number> {
    return (await this.#of(limit).get(key))?.consumedPoints ?? 0;
  }

  /** Refuses it for some seconds from now. */
  async refuse(limit: Limit, key: string, seconds: number): Promise<void> {
    await this.#of(limit).block(key, seconds);
  }

  /** Seconds for which it is refused yet; 0: it may be done. */
  async refusedFor(limit: Limit, key: string): Promise<number> {
    const found = await this.#of(limit).get(key);
    if (!found || found.consumedPoints <= limit.times || found.msBeforeNext <= 0) return 0;
    return this.#atMost(longestOf(limit), limit, key, found);
  }

  async forget(limit: Limit, key: string): Promise<void> {
    await this.#of(limit).delete(key);
  }

  async onModuleDestroy(): Promise<void> {
    await this.#pool?.end();
  }

  /** Seconds until it may be done again: what a clock that went back since would have it wait is made as long as it would be from now. */
  async #atMost(longest: number, limit: Limit, key: string, { msBeforeNext }: RateLimiterRes): Promise<number> {
    if (msBeforeNext <= (longest + CLOCKS_DIFFER) * 1000) return Math.max(1, Math.ceil(msBeforeNext / 1000));
    await this.#of(limit).block(key, longest);
    return longest;
  }

  #of({ name, times, within, refusedFor }: Limit): RateLimiterAbstract {
    const ready = this.#limiters.get(name);
    if (ready) return ready;
    const counts = { keyPrefix: name, points: times, duration: within, ...(refusedFor === undefined ? {} : { blockDuration: refusedFor }) };
    const limiter = new RateLimiterPostgres({
      ...counts,
      storeClient: this.#ready(),
      storeType: 'pool',
      tableName: 'rate_limits',
      tableCreated: true,
      clearExpiredByTimeout: false,
      // Where the database does not answer, each server counts by itself: nobody gets past because it is away.
      insuranceLimiter: new RateLimiterMemory(counts),
    });
    this.#limiters.set(name, limiter);
    return limiter;
  }

  #ready(): Pool {
    this.#pool ??= new Pool({
      connectionString: applicationRole(process.env.DATABASE_URL ?? '').url,
      max: 2,
      idleTimeoutMillis: 30_000,
    }).on('error', () => undefined);
    return this.#pool;
  }
}

/** Seconds for which whoever did it is refused at most. */
function longestOf({ within, refusedFor = 0 }: Limit): number {
  return Math.max(within, refusedFor);
}
