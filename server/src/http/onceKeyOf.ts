import { createParamDecorator, type ExecutionContext } from '@nestjs/common';
import type { Request } from 'express';
import type { OnceKey } from '../database/once.js';
import { RefusedRequestError } from './problems.js';

const KEY = /^[\w-]{8,100}$/;

/** How the interface's description tells of the key. */
export const ONCE_HEADER = {
  name: 'Idempotency-Key',
  required: false,
  description: 'Sent again under the same key, it is done once, and answered as it was then',
} as const;

/** What requests that may be sent again are known by. */
const keys = new WeakMap<Request, OnceKey>();

/** @throws RefusedRequestError where the key is none */
export function rememberOnceKey(request: Request, digest: string): void {
  const key = request.headers['idempotency-key'];
  if (key === undefined) return;
  if (typeof key !== 'string' || !KEY.test(key))
    throw new RefusedRequestError(400, 'the Idempotency-Key must be 8 to 100 letters, digits, "-" or "_"');
  keys.set(request, { key, asks: `${request.method} ${request.originalUrl.slice(0, 500)} ${digest}` });
}

/** What the request is known by when it is sent again; undefined where its sender gave it no key. */
export const OnceKeyOf = createParamDecorator((_: unknown, context: ExecutionContext) =>
  keys.get(context.switchToHttp().getRequest<Request>()),
);
