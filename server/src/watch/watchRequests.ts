import type { NextFunction, Request, Response } from 'express';
import { RecentLatencies } from './latencies.js';
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
    if (request.path.startsWith('/api') || request.path.startsWith('/read'))
      latencies.note(milliseconds, response.statusCode >= 500 && response.statusCode !== 503 && response.statusCode !== 507);
  });
  next();
}
