import { Injectable, SetMetadata, type CallHandler, type ExecutionContext, type NestInterceptor } from '@nestjs/common';
import { Reflector } from '@nestjs/core';
import { concatMap, type Observable } from 'rxjs';
import { Database } from '../database/database.js';
import { isSafe } from '../http/guard.js';
import type { ScopedRequest } from '../scope/inScope.js';

const CHANGES_NOTHING = 'portiona:changes-nothing';
/** What a route that is asked by POST is said to be, where it only works something out. */
export const ChangesNothing = () => SetMetadata(CHANGES_NOTHING, true);

/** Swagger's key for what it is told of an operation. */
const OPERATION = 'swagger/apiOperation';
/** Letters of a name that are kept. */
const LONGEST = 120;

/**
 * Has what a request changes in a kitchen be noted: in the transaction that changes it, or after it where it needs none. What was
 * refused or failed is no deed.
 */
@Injectable()
export class DeedInterceptor implements NestInterceptor {
  constructor(
    private readonly database: Database,
    private readonly reflector: Reflector,
  ) {}

  intercept(context: ExecutionContext, next: CallHandler): Observable<unknown> {
    const handler = context.getHandler();
    const request = context.switchToHttp().getRequest<ScopedRequest>();
    const { scope, signedIn } = request;
    if (!scope || !signedIn || isSafe(request.method) || this.reflector.get<boolean | undefined>(CHANGES_NOTHING, handler))
      return next.handle();
    const operation = this.reflector.get<{ readonly operationId?: string } | undefined>(OPERATION, handler);
    this.database.pend({
      does: operation?.operationId ?? handler.name,
      to: placeOf(request),
      ...said(request.body),
      by: { id: signedIn.accountId, name: signedIn.name },
      through: signedIn.sessionId === undefined ? 'token' : 'page',
      from: request.ip ?? '',
      tab: String(request.headers['x-portiona-tab'] ?? '').slice(0, 40),
    });
    return next.handle().pipe(
      concatMap(async (made: unknown) => {
        await this.database.notePending();
        return made;
      }),
    );
  }
}

/** What stands behind the kitchen in a request's address, and the id that a new thing is sent with. */
function placeOf({ path, method, body }: ScopedRequest): string {
  const place = decodeURIComponent(path.replace(/^\/api\/kitchens\/[^/]+\/?/, ''));
  const id = method === 'POST' ? (documentOf(body)?.id ?? undefined) : undefined;
  return (typeof id === 'string' && !place.includes('/') ? `${place}/${id}` : place).slice(0, 300);
}

function said(body: unknown): { readonly named: string | undefined; readonly revision: number | undefined } {
  const { title, name } = documentOf(body) ?? {};
  const named = typeof title === 'string' ? title : typeof name === 'string' ? name : undefined;
  const revision = isObject(body) && typeof body.revision === 'number' ? body.revision : undefined;
  return { named: named?.slice(0, LONGEST), revision };
}

function documentOf(body: unknown): Readonly<Record<string, unknown>> | undefined {
  return isObject(body) && isObject(body.document) ? body.document : undefined;
}

function isObject(found: unknown): found is Readonly<Record<string, unknown>> {
  return typeof found === 'object' && found !== null && !Array.isArray(found);
}
