import { Catch, HttpException, type ArgumentsHost, type ExceptionFilter } from '@nestjs/common';
import { CircularPartError, UnknownFoodError, UnknownPartError, type Fault } from '@portiona/core';
import type { Request, Response } from 'express';
import {
  BusyError,
  InUseError,
  NotFoundError,
  RefusedFileError,
  StaleSaveError,
  TakenError,
  TooLargeError,
  UnreadableError,
} from './problems.js';

/** Problem details, RFC 9457, with the faults of unreadable input and what stands there after a stale save. */
interface ProblemDetails {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly detail: string;
  readonly faults?: readonly Fault[];
  readonly current?: object;
}

/** Turns every error of a request into problem details; what is unexpected is logged and told without its inside. */
@Catch()
export class ProblemFilter implements ExceptionFilter {
  catch(error: unknown, host: ArgumentsHost): void {
    const http = host.switchToHttp();
    const problem = problemOf(error);
    if (problem.status >= 500) http.getRequest<Request>().log.error({ err: error }, 'request failed');
    http.getResponse<Response>().status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
  }
}

function problemOf(error: unknown): ProblemDetails {
  if (error instanceof NotFoundError) return problem(404, 'not-found', 'Not there', error.message);
  if (error instanceof BusyError) return problem(503, 'busy', 'Busy', error.message);
  if (error instanceof InUseError) return problem(409, 'in-use', 'In use', error.message);
  if (error instanceof TakenError) return problem(409, 'taken', 'Already there', error.message);
  if (error instanceof StaleSaveError) return { ...problem(409, 'stale-save', 'Saved elsewhere', error.message), current: error.current };
  if (error instanceof UnreadableError) return { ...problem(422, 'unreadable', 'Cannot be read', error.message), faults: error.faults };
  if (error instanceof RefusedFileError) return problem(422, 'refused', 'Cannot be taken', error.message);
  if (error instanceof TooLargeError) return problem(413, 'too-large', 'Too large', error.message);
  if (error instanceof UnknownFoodError || error instanceof UnknownPartError || error instanceof CircularPartError)
    return problem(422, 'unreadable', 'Cannot be computed', error.message);
  const status = statusOf(error);
  if (status === 413)
    return problem(
      413,
      'too-large',
      'Too large',
      'this is more than can be taken at once; nothing was saved. Send less, or import it as a file',
    );
  if (isParseFault(error)) return problem(400, 'request', 'Bad request', 'the body is not JSON; nothing was saved');
  if (error instanceof HttpException) return problem(error.getStatus(), 'request', titleOf(error.getStatus()), error.message);
  return problem(
    500,
    'internal',
    'Something broke',
    'the server could not do this; nothing was half-saved. Try again, and look at the log if it stays',
  );
}

function problem(status: number, type: string, title: string, detail: string): ProblemDetails {
  return { type: `urn:portiona:${type}`, title, status, detail };
}

/** The status an error carries, whether the framework's or the body parser's. */
function statusOf(error: unknown): number | undefined {
  if (error instanceof HttpException) return error.getStatus();
  return typeof error === 'object' && error !== null && 'status' in error && typeof error.status === 'number' ? error.status : undefined;
}

/** A body that is no JSON, as the parser or the framework tells it. */
function isParseFault(error: unknown): boolean {
  return error instanceof Error && statusOf(error) === 400 && /JSON/.test(error.message);
}

function titleOf(status: number): string {
  return status === 404 ? 'Not there' : status === 400 ? 'Bad request' : 'Not possible';
}
