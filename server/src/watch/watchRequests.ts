import type { NextFunction, Request, Response } from 'express';
import { RecentLatencies, type Outcome } from './latencies.js';
import { requestSeconds, requestsUnderWay } from './metrics.js';

/** Of this process. */
export const latencies = new RecentLatencies();

/** What was asked, as a pattern: addresses hold names and are without end. */
function routeOf(request: Request): string {
  const { route } = request as { readonly route?: { readonly path?: unknown } };
  const found = route?.path;
  if (typeof found === 'string') return found;
  return request.path.startsWith('/api') ? 'no route' : 'page';
}

/** A full disk is told of elsewhere, and fails nobody but who saves. */
function outcomeOf(status: number): Outcome {
  if (status === 503 || status === 429) return 'refused';
  return status >= 500 && status !== 507 ? 'failed' : 'answered';
}

/** Notes how long each request takes. Lines that stay open say nothing by how long they did. */
export function watchRequests(request: Request, response: Response, next: NextFunction): void {
  const begun = performance.now();
  requestsUnderWay.inc();
  response.once('close', () => {
    requestsUnderWay.dec();
    const route = routeOf(request);
    if (response.getHeader('content-type')?.toString().startsWith('text/event-stream')) return;
    const milliseconds = performance.now() - begun;
    requestSeconds.observe({ method: request.method, route, status: String(response.statusCode) }, milliseconds / 1_000);
    if (request.path.startsWith('/api') || request.path.startsWith('/read')) latencies.note(milliseconds, outcomeOf(response.statusCode));
  });
  next();
}
