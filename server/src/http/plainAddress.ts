import type { NextFunction, Request, Response } from 'express';
import { RefusedRequestError } from './problems.js';

/** Refuses an address that says a key twice, or holds NUL: nothing here is meant so, and what it would mean is anybody's guess. */
export function plainAddress(request: Request, _: Response, next: NextFunction): void {
  if (/%00/.test(request.originalUrl)) throw new RefusedRequestError(400, 'the address holds a NUL letter');
  const twice = Object.entries(request.query).find(([, said]) => typeof said !== 'string');
  if (twice) throw new RefusedRequestError(400, `the address says "${twice[0].slice(0, 60)}" more than once; say it once`);
  next();
}
