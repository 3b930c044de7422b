import { createParamDecorator, type ExecutionContext } from '@nestjs/common';
import type { Request } from 'express';
import type { Scope } from './scope.js';

/** Who is signed in, however they came. */
export interface SignedInAs {
  readonly accountId: string;
  readonly name: string;
  readonly keeper: boolean;
  /** The session it is signed in by; undefined: by a token. */
  readonly sessionId: string | undefined;
}

/** A request of which it is known who asks, and in what. */
export interface ScopedRequest extends Request {
  scope?: Scope;
  signedIn?: SignedInAs;
}

/** The scope of the request at hand. */
export const InScope = createParamDecorator((_: unknown, context: ExecutionContext): Scope => {
  const { scope } = context.switchToHttp().getRequest<ScopedRequest>();
  if (!scope) throw new Error('the request has no scope: its route says no kitchen');
  return scope;
});

/** Who makes the request at hand. */
export const ByAccount = createParamDecorator((_: unknown, context: ExecutionContext): SignedInAs => {
  const { signedIn } = context.switchToHttp().getRequest<ScopedRequest>();
  if (!signedIn) throw new Error('nobody is signed in: the route says anybody may ask');
  return signedIn;
});
