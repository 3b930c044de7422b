import { Injectable, type CallHandler, type ExecutionContext, type NestInterceptor } from '@nestjs/common';
import type { Response } from 'express';
import { map, type Observable } from 'rxjs';
import { JsonText } from '../threads/jsonText.js';

/** Sends JSON that a thread has made as it is. */
@Injectable()
export class JsonTextInterceptor implements NestInterceptor {
  intercept(context: ExecutionContext, next: CallHandler): Observable<unknown> {
    return next.handle().pipe(
      map((answer: unknown) => {
        if (!(answer instanceof JsonText)) return answer;
        context.switchToHttp().getResponse<Response>().type('application/json');
        return answer.text;
      }),
    );
  }
}
