import { randomUUID } from 'node:crypto';
import type { NextFunction, Request, Response } from 'express';
import type { Logger } from 'pino';

/** What a request is known by in the log and to whoever asked. */
const HEADER = 'x-request-id';
const GIVEN = /^[\w-]{8,64}$/;
/** Requests that are not noted: files, and whoever asks again and again whether the server lives. */
const UNNOTED = /^(?!\/api)|^\/api\/(?:health|ready)/;

const ids = new WeakMap<Request, string>();

/**
 * Notes each request by its id: which, how it was answered and how long that took; nothing of who asked, of what stands behind the question
 * mark, and of what was sent: cookies, tokens and links are secrets, and what is cooked is nobody's here.
 */
export function requestLog(logger: Logger) {
  return (request: Request, response: Response, next: NextFunction): void => {
    const given = request.headers[HEADER];
    const id = typeof given === 'string' && GIVEN.test(given) ? given : randomUUID();
    ids.set(request, id);
    response.setHeader(HEADER, id);
    const { method, path } = request;
    const begun = performance.now();
    if (!UNNOTED.test(path))
      response.once('close', () => {
        const told = {
          req: { id, method, path },
          res: { status: response.statusCode },
          responseTime: Math.round(performance.now() - begun),
        };
        if (!response.writableFinished) logger.info(told, 'request broken off');
        else if (response.statusCode >= 500) logger.error(told, 'request failed');
        else logger.info(told, 'request answered');
      });
    next();
  };
}

/** What a request is known by, once it was noted. */
export function requestIdOf(request: Request): string | undefined {
  return ids.get(request);
}
