import { createParamDecorator, type ExecutionContext } from '@nestjs/common';
import type { Request } from 'express';
import type { Scope } from './scope.js';

/** A request whose scope is known. */
export interface ScopedRequest extends Request {
  scope?: Scope;
}

/** The scope of the request at hand. */
export const InScope = createParamDecorator((_: unknown, context: ExecutionContext): Scope => {
  const { scope } = context.switchToHttp().getRequest<ScopedRequest>();
  if (!scope) throw new Error('the request has no scope: its guard was not asked');
  return scope;
});
