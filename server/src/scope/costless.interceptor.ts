import { Injectable, type CallHandler, type ExecutionContext, type NestInterceptor } from '@nestjs/common';
import { map, type Observable } from 'rxjs';
import { JsonText } from '../threads/jsonText.js';
import type { ScopedRequest } from './inScope.js';
import { withoutCosts } from './withoutCosts.js';
import { may } from './scope.js';

/**
 * Takes figures of money out of what is sent to somebody to whom costs are not shown. What is worked out for them has none anyway; this is
 * for what was worked out before, for everybody, and for what is written in documents.
 */
@Injectable()
export class CostlessInterceptor implements NestInterceptor {
  intercept(context: ExecutionContext, next: CallHandler): Observable<unknown> {
    const { scope } = context.switchToHttp().getRequest<ScopedRequest>();
    if (!scope || may(scope, 'costs')) return next.handle();
    return next.handle().pipe(
      map((answer: unknown) => {
        if (answer instanceof JsonText) return new JsonText(JSON.stringify(withoutCosts(JSON.parse(answer.text))));
        return isPlain(answer) ? withoutCosts(answer) : answer;
      }),
    );
  }
}

/** Objects and lists as they are sent as JSON; streams and bytes are none. */
function isPlain(answer: unknown): boolean {
  return Array.isArray(answer) || (typeof answer === 'object' && answer !== null && Object.getPrototypeOf(answer) === Object.prototype);
}
