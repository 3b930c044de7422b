import { HttpException } from '@nestjs/common';
import { CircularPartError, TooLongToCheckError, UnknownFoodError, UnknownPartError } from '@portiona/core';
import { databaseTrouble } from './databaseTrouble.js';
import { Problem, type ProblemDetails } from './problems.js';

/** What is told of an error: what happened, what that means for what was sent, and what to do. */
export function problemOf(error: unknown): ProblemDetails {
  if (error instanceof Problem) return error.details;
  if (error instanceof UnknownFoodError || error instanceof UnknownPartError || error instanceof CircularPartError)
    return problem(422, 'unreadable', 'Cannot be computed', error.message);
  if (error instanceof TooLongToCheckError) return problem(422, 'unreadable', 'Cannot be checked', error.message);
  if (error instanceof HttpException) return problem(error.getStatus(), 'request', titleOf(error.getStatus()), error.message);
  return databaseTrouble(error) ?? clientFault(error) ?? INTERNAL;
}

/** Whether what went wrong is none of what was asked: the database was away, or there was too much at once, and it may go well in a moment. */
export function isPassing(error: unknown): boolean {
  return PASSING.has(problemOf(error).type);
}

/** Whether the database was away: that says nothing of what was asked, however often it happens. What was too much may be so each time. */
export function isAway(error: unknown): boolean {
  return AWAY.has(problemOf(error).type);
}

const AWAY: ReadonlySet<string> = new Set(['database-away', 'uncertain'].map((type) => `urn:portiona:${type}`));
const PASSING: ReadonlySet<string> = new Set([...AWAY, ...['busy', 'overloaded'].map((type) => `urn:portiona:${type}`)]);

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
