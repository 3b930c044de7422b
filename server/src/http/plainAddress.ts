import type { NextFunction, Request, Response } from 'express';
import { RefusedRequestError } from './problems.js';

/** Refuses an address that says a key twice, holds NUL, or is no text once decoded: nothing here is meant so, and what it would mean is anybody's guess. */
export function plainAddress(request: Request, _: Response, next: NextFunction): void {
  if (/%00/.test(request.originalUrl)) throw new RefusedRequestError(400, 'the address holds a NUL letter');
  if (!isText(request.path)) throw new RefusedRequestError(400, 'the address cannot be decoded: what follows a % in it is no text');
  const twice = Object.entries(request.query).find(([, said]) => typeof said !== 'string');
  if (twice) throw new RefusedRequestError(400, `the address says "${twice[0].slice(0, 60)}" more than once; say it once`);
  next();
}

function isText(path: string): boolean {
  try {
    decodeURIComponent(path);
    return true;
  } catch {
    return false;
  }
}
