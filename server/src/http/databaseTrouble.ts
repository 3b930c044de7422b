import type { ProblemDetails } from './problems.js';

/** What the database may say, by the class or the whole of its code, and what that means to who asked. */
const TROUBLES: readonly (readonly [code: RegExp, status: number, type: string, title: string, detail: string, retryAfter?: number])[] = [
  [
    /^53100$/,
    507,
    'disk-full',
    'The disk is full',
    'the disk is full: this was not saved, and nothing that was saved before is lost. Make room, then send it again',
    10,
  ],
  [/^(?:53|57P03)/, 503, 'busy', 'Busy', 'the database has too much to do; nothing was written. Try again in a moment', 2],
  [
    /^(?:40001|40P01|55P03|57014)$/,
    503,
    'busy',
    'Busy',
    'something else was being written at the same time and took long; nothing of this was written. Try again',
    2,
  ],
  [
    /^(?:08|57P)/,
    503,
    'database-away',
    'The database does not answer',
    'the database went away meanwhile; nothing of this was written. Try again in a moment',
    2,
  ],
  [/^25P03$/, 503, 'busy', 'Busy', 'this took too long and was given up; nothing of it was written. Try again', 2],
  [
    /^22(?:021|P05)$/,
    422,
    'unreadable',
    'Cannot be read',
    'this holds letters that cannot be kept, such as NUL; take them out. Nothing was saved',
  ],
  [/^54/, 422, 'unreadable', 'Cannot be read', 'this is longer than can be kept; shorten it. Nothing was saved'],
  [/^22/, 400, 'request', 'Bad request', 'a number or an id in this is none that could be there; nothing was done'],
];

/** Errors of the connection itself, which have no code of the database's: the last is what a transaction says whose connection ended under it. */
const CONNECTION =
  /timeout exceeded when trying to connect|Connection terminated|Client has encountered a connection error|Query read timeout|not queryable|Cannot use a pool after|query runner (?:was )?already released/i;
const NO_ROUTE: ReadonlySet<string> = new Set(['ECONNREFUSED', 'ECONNRESET', 'ETIMEDOUT', 'EPIPE', 'ENOTFOUND', 'EHOSTUNREACH']);

/** What is told of an error that came of the database, or of a full disk; undefined for any other. */
export function databaseTrouble(error: unknown): ProblemDetails | undefined {
  const code = codeOf(error);
  if (code === 'ENOSPC' || code === 'EDQUOT') return told(TROUBLES[0]);
  if (code !== undefined && NO_ROUTE.has(code)) return told(TROUBLES[3]);
  if (code === undefined || !/^[0-9A-Z]{5}$/.test(code)) {
    const message = error instanceof Error ? error.message : '';
    return CONNECTION.test(message) ? told(/trying to connect/.test(message) ? TROUBLES[1] : TROUBLES[3]) : undefined;
  }
  return told(TROUBLES.find(([pattern]) => pattern.test(code)));
}

function told(trouble: (typeof TROUBLES)[number] | undefined): ProblemDetails | undefined {
  if (!trouble) return undefined;
  const [, status, type, title, detail, retryAfter] = trouble;
  return { type: `urn:portiona:${type}`, title, status, detail, ...(retryAfter === undefined ? {} : { retryAfter }) };
}

/** An error's code, or that of the error below it. */
function codeOf(error: unknown): string | undefined {
  if (typeof error !== 'object' || error === null) return undefined;
  if ('code' in error && typeof error.code === 'string') return error.code;
  if ('driverError' in error) return codeOf(error.driverError);
  return 'cause' in error ? codeOf(error.cause) : undefined;
}
