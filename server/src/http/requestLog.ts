import { randomUUID } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';

/** What a request is known by in the log and to whoever asked. */
const HEADER = 'x-request-id';
const GIVEN = /^[\w-]{8,64}$/;

/**
 * Notes each request by its id: which, how it was answered and how long that took; nothing of who asked, of what stands behind the question
 * mark, and of what was sent: cookies, tokens and links are secrets, and what is cooked is nobody's here.
 */
export function requestLog(logger: Logger) {
  return pinoHttp({
    logger,
    genReqId: (request: IncomingMessage, response: ServerResponse) => {
      const given = request.headers[HEADER];
      const id = typeof given === 'string' && GIVEN.test(given) ? given : randomUUID();
      response.setHeader(HEADER, id);
      return id;
    },
    autoLogging: { ignore: ({ url }) => !url?.startsWith('/api') || /^\/api\/(?:health|ready)/.test(url) },
    serializers: {
      req: ({ id, method, url }: { id: string; method: string; url: string }) => ({ id, method, path: url.split('?')[0] }),
      res: ({ statusCode }: { statusCode: number }) => ({ status: statusCode }),
    },
  });
}

/** What a request is known by, once it was noted. */
export function requestIdOf({ id }: IncomingMessage): string | undefined {
  return typeof id === 'string' ? id : undefined;
}
