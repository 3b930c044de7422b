import { createHash } from 'node:crypto';
import type { NextFunction, Request, Response } from 'express';
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';
import { OverloadedError, TooOftenError } from './problems.js';
import { Pressure } from './pressure.js';
import { limitsOf, PACES, type Pace } from './routeLimits.js';

/** Requests under way at once: in all, and of one who asks. */
const MOST_AT_ONCE = 1_000;
const MOST_OF_ONE = 200;
/** Requests of one address a minute, whoever they say they are of. */
const OF_ADDRESS = 30_000;
const MINUTE = 60;

/** What is asked to tell whether the server lives; it is answered whatever else is. */
const WATCHED = /^\/api\/health(?:\/|$)/;

/**
 * Lets no more in than the server can answer: so many at once, so many a minute of one who asks and of one address, and nothing while it
 * is behind. PORTIONA_PACE multiplies what is let in a minute (2: twice as much); 0: no limit, where something before the server has one.
 *
 * @throws (by `next`) OverloadedError, TooOftenError; at once Error where PORTIONA_PACE is no number
 */
export function moderate(pressure = new Pressure()) {
  pressure.begin();
  const factor = Number(process.env.PORTIONA_PACE?.trim() || 1);
  if (!(factor >= 0 && Number.isFinite(factor)))
    throw new Error(`PORTIONA_PACE is "${process.env.PORTIONA_PACE}"; it must be a number, such as 2`);
  const limiter = (points: number) => new RateLimiterMemory({ points: Math.max(1, Math.round(points * factor)), duration: MINUTE });
  const paces = new Map<Pace, RateLimiterMemory>();
  const paceOf = (pace: Pace) => {
    const made = paces.get(pace) ?? limiter(PACES[pace]);
    paces.set(pace, made);
    return made;
  };
  const addresses = limiter(OF_ADDRESS);
  const underWay = new Map<string, number>();
  let all = 0;
  return (request: Request, response: Response, next: NextFunction): void => {
    if (WATCHED.test(request.path)) return next();
    if (pressure.why !== undefined) throw new OverloadedError(pressure.why);
    const who = whoAsks(request);
    const own = underWay.get(who) ?? 0;
    if (all >= MOST_AT_ONCE || own >= MOST_OF_ONE) throw new OverloadedError('too much is asked at once');
    all++;
    underWay.set(who, own + 1);
    response.once('close', () => {
      all--;
      const left = (underWay.get(who) ?? 1) - 1;
      if (left > 0) underWay.set(who, left);
      else underWay.delete(who);
    });
    if (factor === 0) return next();
    const { pace } = limitsOf(request.path);
    Promise.all([addresses.consume(addressOf(request)), paceOf(pace).consume(`${pace} ${who}`)]).then(
      () => next(),
      (refused: unknown) =>
        next(
          refused instanceof RateLimiterRes
            ? new TooOftenError('this was asked too often', Math.max(1, Math.ceil(refused.msBeforeNext / 1_000)))
            : refused,
        ),
    );
  };
}

/** Who asks, as far as that is told before anything is looked up: by what signs in, else by address. Kept as a digest. */
function whoAsks(request: Request): string {
  const { cookie, authorization } = request.headers;
  const said = authorization ?? cookie;
  return said === undefined ? addressOf(request) : createHash('sha256').update(said).digest('base64url');
}

function addressOf(request: Request): string {
  return request.ip ?? request.socket.remoteAddress ?? '';
}
