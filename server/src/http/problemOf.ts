import { HttpException } from '@nestjs/common';
import { CircularPartError, UnknownFoodError, UnknownPartError, type Fault } from '@portiona/core';
import { databaseTrouble } from './databaseTrouble.js';
import {
  BusyError,
  FullError,
  InUseError,
  NotFoundError,
  RefusedFileError,
  RefusedRequestError,
  StaleSaveError,
  TakenError,
  ToldError,
  TooLargeError,
  TooMuchWorkError,
  UncertainSaveError,
  UnreadableError,
} from './problems.js';

/** Problem details, RFC 9457, with the faults of unreadable input and what stands there after a stale save. */
export interface ProblemDetails {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly detail: string;
  readonly faults?: readonly Fault[];
  readonly current?: object;
  /** Seconds after which it may be asked again. */
  readonly retryAfter?: number;
}

const SOON = 2;

/** What is told of an error: what happened, what that means for what was sent, and what to do. */
export function problemOf(error: unknown): ProblemDetails {
  if (error instanceof ToldError) return error.problem;
  if (error instanceof NotFoundError) return problem(404, 'not-found', 'Not there', error.message);
  if (error instanceof BusyError) return { ...problem(503, 'busy', 'Busy', error.message), retryAfter: SOON };
  if (error instanceof UncertainSaveError) return { ...problem(503, 'uncertain', 'Not known', error.message), retryAfter: SOON };
  if (error instanceof InUseError) return problem(409, 'in-use', 'In use', error.message);
  if (error instanceof TakenError) return problem(409, 'taken', 'Already there', error.message);
  if (error instanceof StaleSaveError) return { ...problem(409, 'stale-save', 'Saved elsewhere', error.message), current: error.current };
  if (error instanceof UnreadableError) return { ...problem(422, 'unreadable', 'Cannot be read', error.message), faults: error.faults };
  if (error instanceof RefusedFileError) return problem(422, 'refused', 'Cannot be taken', error.message);
  if (error instanceof RefusedRequestError) return problem(error.status, 'request', 'Not possible', error.message);
  if (error instanceof TooLargeError) return problem(413, 'too-large', 'Too large', error.message);
  if (error instanceof FullError) return problem(507, 'full', 'No room', error.message);
  if (error instanceof TooMuchWorkError) return problem(422, 'too-much', 'Too much', error.message);
  if (error instanceof UnknownFoodError || error instanceof UnknownPartError || error instanceof CircularPartError)
    return problem(422, 'unreadable', 'Cannot be computed', error.message);
  if (error instanceof HttpException) return problem(error.getStatus(), 'request', titleOf(error.getStatus()), error.message);
  return databaseTrouble(error) ?? clientFault(error) ?? INTERNAL;
}

const INTERNAL = problem(
  500,
  'internal',
  'Something broke',
  'the server could not do this; nothing was half-saved. Try again, and look at the log if it stays',
);

function problem(status: number, type: string, title: string, detail: string): ProblemDetails {
  return { type: `urn:portiona:${type}`, title, status, detail };
}

/** A fault of the request that a library below noticed: an address that cannot be decoded, a range that is not there. */
function clientFault(error: unknown): ProblemDetails | undefined {
  if (typeof error !== 'object' || error === null || !('status' in error)) return undefined;
  const { status } = error;
  return typeof status === 'number' && status >= 400 && status < 500
    ? problem(status, 'request', titleOf(status), 'the request cannot be understood; nothing was done')
    : undefined;
}

function titleOf(status: number): string {
  return status === 404 ? 'Not there' : status === 400 ? 'Bad request' : 'Not possible';
}
