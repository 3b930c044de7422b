import type { Request } from 'express';

/** Where the page that asks is served: the name it was asked by was held against those that are served before. */
export function pageOrigin(request: Request): string {
  return `${request.protocol}://${request.headers.host}`;
}
