import type { NextFunction, Request, Response } from 'express';
import { LRUCache } from 'lru-cache';
import { isForReaders } from '../http/forReaders.js';

/** Milliseconds for which an answer is given again as it is: what is taken back is gone on every server after that. */
const FRESH = 1_000;
/** Bytes of all answers that are held, and of one. */
const MOST = 32 * 1024 * 1024;
const MOST_OF_ONE = 1024 * 1024;

/** An answer as it went out. */
interface Sent {
  readonly at: number;
  readonly headers: readonly (readonly [name: string, value: string | number | readonly string[]])[];
  readonly tag: string | undefined;
  readonly body: Buffer;
}

/** What is done again and again in kitchens and moves nothing that readers see: cards that are out do not change with their dishes. */
const UNSEEN_PATH =
  /\/(?:recipes|foods|packs|batches|sessions|weeks|people|stock)\/[^/]+(?:\/edits)?$|\/(?:present|notes|ticks|distributions|preview|judged)(?:\/|$)/;
const UNSEEN_DEEDS: ReadonlySet<unknown> = new Set([
  'saveRecipe',
  'saveFood',
  'savePack',
  'saveBatch',
  'editBatch',
  'saveSession',
  'saveWeek',
  'savePerson',
  'saveStock',
  'keepTicks',
  'writeNote',
]);

/** Headers that are of one request, and not of the answer. */
const OWN: ReadonlySet<string> = new Set(['x-request-id', 'date', 'connection', 'keep-alive', 'transfer-encoding', 'content-length']);

/**
 * Gives what many readers ask for in the same moment again as it went out, packed as it was, without asking the database each time. Only
 * answers of 200 that anybody may keep are held, by the name they were asked under, the address, and how they may be packed. What is changed
 * here is seen at once; what is changed on another server, when that has been told, and after a second at the latest.
 */
export class FreshPages {
  readonly #held = new LRUCache<string, Sent>({ maxSize: MOST, sizeCalculation: ({ body }) => body.length + 2_048 });
  /** What was begun before something changed may not show it. */
  #changes = 0;

  constructor(private readonly clock: () => number = () => performance.now()) {}

  /** Something was done on some server. @param does the operation; undefined: nobody knows what */
  hear(does?: unknown): void {
    if (!UNSEEN_DEEDS.has(does)) this.forget();
  }

  forget(): void {
    this.#changes++;
    this.#held.clear();
  }

  /** The step of a request. */
  readonly step = (request: Request, response: Response, next: NextFunction): void => {
    if (request.method !== 'GET') {
      if (
        request.path.startsWith('/api/kitchens') &&
        !(request.method === 'PUT' || request.method === 'POST' ? UNSEEN_PATH : /^$/).test(request.path)
      )
        beforeEnd(response, () => this.forget());
      return next();
    }
    if (!isForReaders(request.path)) return next();
    const { host = '', 'accept-encoding': packed = '', 'if-none-match': known, range } = request.headers;
    if (range !== undefined) return next();
    const way = /\bbr\b/.test(String(packed)) ? 'br' : /\bgzip\b/.test(String(packed)) ? 'gzip' : '';
    const key = `${host} ${request.secure} ${way} ${request.originalUrl}`;
    const found = this.#held.get(key);
    if (found && this.clock() - found.at < FRESH) return give(response, found, known);
    const begun = this.#changes;
    keep(response, (sent) => {
      if (begun === this.#changes) this.#held.set(key, { ...sent, at: this.clock() });
    });
    next();
  };
}

/** Does something before whoever asked can know that their request was answered. */
function beforeEnd(response: Response, act: () => void): void {
  const end = response.end.bind(response);
  response.end = ((...given: unknown[]) => {
    act();
    return (end as (...given: unknown[]) => typeof response)(...given);
  }) as typeof response.end;
}

function give(response: Response, { headers, tag, body }: Sent, known: string | undefined): void {
  for (const [name, value] of headers) response.setHeader(name, value);
  if (known !== undefined && tag !== undefined && known.split(',').some((one) => one.trim() === tag)) {
    response.statusCode = 304;
    response.removeHeader('content-encoding');
    response.end();
    return;
  }
  response.setHeader('content-length', body.length);
  response.end(body);
}

/** Hears what goes out, and hands it over once it is whole: where it is to be held. */
function keep(response: Response, hold: (sent: Omit<Sent, 'at'>) => void): void {
  const pieces: Buffer[] = [];
  let size = 0;
  const add = (piece: unknown) => {
    if (typeof piece !== 'string' && !(piece instanceof Uint8Array)) return;
    const bytes = Buffer.from(piece as string);
    size += bytes.length;
    if (size <= MOST_OF_ONE) pieces.push(bytes);
  };
  const [write, end] = [response.write.bind(response), response.end.bind(response)];
  response.write = ((piece: unknown, ...rest: unknown[]) => {
    add(piece);
    return (write as (...given: unknown[]) => boolean)(piece, ...rest);
  }) as typeof response.write;
  response.end = ((piece: unknown, ...rest: unknown[]) => {
    if (typeof piece !== 'function') add(piece);
    const ended = (end as (...given: unknown[]) => typeof response)(piece, ...rest);
    if (response.statusCode === 200 && size <= MOST_OF_ONE && /^public\b/.test(String(response.getHeader('cache-control') ?? '')))
      hold({
        headers: Object.entries(response.getHeaders()).flatMap(([name, value]) =>
          value === undefined || OWN.has(name) ? [] : [[name, value] as const],
        ),
        tag: response.getHeader('etag')?.toString(),
        body: Buffer.concat(pieces),
      });
    return ended;
  }) as typeof response.end;
}
