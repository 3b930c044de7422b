import { makeLog } from './log.js';
import { Catch, type ArgumentsHost, type ExceptionFilter } from '@nestjs/common';
import type { Response } from 'express';
import type { ScopedRequest } from '../scope/inScope.js';
import { may } from '../scope/scope.js';
import { withoutCosts } from '../scope/withoutCosts.js';
import { problemOf } from './problemOf.js';
import { BusyError, type ProblemDetails } from './problems.js';
import { sendProblem } from './sendProblem.js';

/** Turns every error of a request into problem details; what is unexpected is logged and told without its inside. */
@Catch()
export class ProblemFilter implements ExceptionFilter {
  catch(error: unknown, host: ArgumentsHost): void {
    const http = host.switchToHttp();
    const { scope } = http.getRequest<ScopedRequest>();
    // What stands there after a stale save is told without what it cost, to whom costs are not shown.
    const problem = scope && !may(scope, 'costs') ? (withoutCosts(problemOf(error)) as ProblemDetails) : problemOf(error);
    // What is busy says so itself; it is no fault to be looked for.
    if (problem.status >= 500 && !(error instanceof BusyError)) makeLog().error({ err: error }, 'request failed');
    sendProblem(http.getResponse<Response>(), problem);
  }
}
