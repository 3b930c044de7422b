import { makeLog } from '../http/log.js';
import { Catch, type ArgumentsHost, type ExceptionFilter } from '@nestjs/common';
import type { Response } from 'express';
import { problemOf } from '../http/problemOf.js';
import { BusyError, Problem } from '../http/problems.js';
import { escapedXml } from '../sheets/drawnSvg.js';
import { STYLE_PATH } from './readingStyle.js';

/** Nothing is read here: 404. Whether there is a kitchen that has it switched off is nobody's business. */
export class UnreadableError extends Problem {
  protected readonly told = { type: 'not-found', title: 'Nothing is here', status: 404 };

  constructor() {
    super('Nothing is published at this address.');
    this.name = 'UnreadableError';
  }
}

/** A card that was taken back: 410. Who has its address is told why. */
export class GoneError extends Problem {
  protected readonly told = { type: 'taken-back', title: 'Taken back', status: 410 };

  constructor(card: string, because: string) {
    super(`The card of ${card} was taken back and is not to be followed: ${because}`);
    this.name = 'GoneError';
  }
}

/** Tells readers what is wrong, as a page. */
@Catch()
export class ReadingFilter implements ExceptionFilter {
  catch(error: unknown, host: ArgumentsHost): void {
    const http = host.switchToHttp();
    const response = http.getResponse<Response>();
    const { status, title, detail, retryAfter } = problemOf(error);
    // What is busy says so itself; it is no fault to be looked for.
    if (status >= 500 && !(error instanceof BusyError)) makeLog().error({ err: error }, 'a reader’s request failed');
    if (response.headersSent) return void response.destroy();
    const isKnown = error instanceof UnreadableError || error instanceof GoneError;
    // What else is not there is told as any address that has nothing.
    const [said, why] = isKnown
      ? [title, detail]
      : status < 500
        ? ['Nothing is here', 'Nothing is published at this address.']
        : ['One moment', 'This page is being made, or the kitchen is busy. Come again in a few seconds.'];
    if (retryAfter !== undefined) response.set('Retry-After', String(retryAfter));
    response.removeHeader('ETag');
    response
      .status(!isKnown && status < 500 ? 404 : status)
      .set('Cache-Control', 'no-store')
      .set('Content-Security-Policy', "default-src 'none'; style-src 'self'; font-src 'self'; frame-ancestors 'none'")
      .type('html')
      .send(
        `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><meta name="robots" content="noindex"><title>${escapedXml(said)}</title><link rel="stylesheet" href="${STYLE_PATH}"></head><body><main class="told"><h1>${escapedXml(said)}</h1><p>${escapedXml(why)}</p></main></body></html>`,
      );
  }
}
