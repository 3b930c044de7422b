import { Catch, type ArgumentsHost, type ExceptionFilter } from '@nestjs/common';
import type { Request, Response } from 'express';
import { problemOf } from './problemOf.js';
import { sendProblem } from './sendProblem.js';

/** Turns every error of a request into problem details; what is unexpected is logged and told without its inside. */
@Catch()
export class ProblemFilter implements ExceptionFilter {
  catch(error: unknown, host: ArgumentsHost): void {
    const http = host.switchToHttp();
    const problem = problemOf(error);
    if (problem.status >= 500) http.getRequest<Request>().log.error({ err: error }, 'request failed');
    sendProblem(http.getResponse<Response>(), problem);
  }
}
