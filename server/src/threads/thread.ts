import 'reflect-metadata';
import { move, transferableSymbol, valueSymbol } from 'piscina';
import { constants, setPriority } from 'node:os';
import { getHeapStatistics } from 'node:v8';
import { parentPort, threadId, workerData } from 'node:worker_threads';
import type { Deed, PendingDeed } from '../audit/deed.js';
import { wall, within } from '../database/wall.js';
import { parsed } from '../http/jsonBody.js';
import { problemOf } from '../http/problemOf.js';
import type { ProblemDetails } from '../http/problems.js';
import type { House } from './house.js';
import { AS_SENT, BODY_JOBS, THREAD_JOBS, type BodyJob, type ThreadJob } from './jobs.js';
import type { Scope } from '../scope/scope.js';
import { makeHouse } from './makeHouse.js';

/** What a thread is asked: a job with what it is given; of a body job, its body as it was sent. */
export type Asked =
  | { readonly job: ThreadJob; readonly given: Given; readonly deed?: Deed; readonly request?: string | undefined }
  | {
      readonly job: BodyJob;
      readonly body: Uint8Array;
      readonly given: Given;
      readonly deed?: Deed;
      readonly request?: string | undefined;
    };
/** The scope in which a job is done, and whatever else it is given. */
type Given = readonly [scope: Scope, ...rest: readonly unknown[]];

/** What a thread answers: text, JSON as text (so that nobody takes it apart and puts it together again), bytes, or a problem; and whether it noted what it changed. */
export type Answered =
  | { readonly kind: 'text'; readonly text: string; readonly noted?: boolean }
  | { readonly kind: 'json'; readonly text: string; readonly noted?: boolean }
  | { readonly kind: 'bytes'; readonly bytes: Uint8Array; readonly noted?: boolean }
  | { readonly kind: 'problem'; readonly problem: ProblemDetails; readonly error: string };

/** Bytes that are handed over instead of copied; the thread has them no longer. */
function handedOver(bytes: Uint8Array<ArrayBuffer>): Answered {
  const answered: Answered = { kind: 'bytes', bytes };
  return move({ [transferableSymbol]: [bytes.buffer], [valueSymbol]: answered }) as unknown as Answered;
}

// This thread only, on Linux: who answers requests comes before who computes.
try {
  setPriority(constants.priority.PRIORITY_BELOW_NORMAL);
} catch {
  // Where that may not be said, all come alike.
}

/** Asked of a thread that is new: that it be ready. */
export const READY = 'ready';

let house: Promise<House> | undefined;

/** Does one job. It never throws: what went wrong is an answer. */
export default async function work(asked: Asked | typeof READY): Promise<Answered> {
  try {
    if (asked === READY) {
      await services();
      return { kind: 'text', text: '' };
    }
    const here = await services();
    const pending: PendingDeed | undefined = asked.deed && { deed: asked.deed, noted: false };
    const made = await wall.run({ kitchenId: undefined, request: asked.request }, () =>
      within(asked.given[0].kitchenId, () => Promise.resolve(doJob(here, asked)), pending),
    );
    if (made instanceof Uint8Array) {
      return handedOver(new Uint8Array(made));
    }
    const noted = pending?.noted ?? false;
    return typeof made === 'string' ? { kind: 'text', text: made, noted } : { kind: 'json', text: JSON.stringify(made), noted };
  } catch (error) {
    return { kind: 'problem', problem: problemOf(error), error: error instanceof Error ? (error.stack ?? error.message) : String(error) };
  } finally {
    parentPort?.postMessage({ heap: getHeapStatistics().used_heap_size, thread: threadId } satisfies HeapOfThread);
  }
}

/** A statement of a thread that took long, told to the server: the log is its. */
export interface SlowInThread {
  readonly slow: { readonly milliseconds: number; readonly statement: string; readonly request: string | undefined };
}

/** What a thread's own memory held, bytes, when it had done something. */
export interface HeapOfThread {
  readonly heap: number;
  readonly thread: number;
}

function tellSlow(milliseconds: number, statement: string): void {
  parentPort?.postMessage({ slow: { milliseconds, statement, request: wall.getStore()?.request } } satisfies SlowInThread);
}

/** The services, made when first needed; tried again where the database was away. */
function services(): Promise<House> {
  house ??= makeHouse((workerData as { readonly url?: string } | null)?.url, tellSlow).catch((error: unknown) => {
    house = undefined;
    throw error;
  });
  return house;
}

/** @throws whatever the job throws, of what it was given */
function doJob(services: House, asked: Asked): unknown {
  if ('body' in asked) {
    const job = BODY_JOBS[asked.job] as (house: House, body: unknown, ...given: readonly unknown[]) => unknown;
    return job(services, AS_SENT.has(asked.job) ? asked.body : parsed(new TextDecoder().decode(asked.body)), ...asked.given);
  }
  const job = THREAD_JOBS[asked.job] as (house: House, ...given: readonly unknown[]) => unknown;
  return job(services, ...asked.given);
}
