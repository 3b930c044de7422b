import type { Response } from 'express';
import type { ProblemDetails } from './problems.js';

/** Answers with problem details; nothing where the answer has begun already. */
export function sendProblem(response: Response, { retryAfter, ...problem }: ProblemDetails): void {
  if (response.headersSent) return void response.destroy();
  if (retryAfter !== undefined) response.set('Retry-After', String(retryAfter));
  response.status(problem.status).type('application/problem+json').set('Cache-Control', 'no-store').send(JSON.stringify(problem));
}
