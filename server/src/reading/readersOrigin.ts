import type { Request } from 'express';

/**
 * The address that readers reach the server by, from its environment: "https://cards.example". Behind a proxy nobody else knows it.
 *
 * @param stated PORTIONA_READERS; empty or left out: none is stated
 * @throws Error that says what it must be
 */
export function statedOrigin(stated: string | undefined): URL | undefined {
  if (stated === undefined || stated.trim() === '') return undefined;
  const url = URL.canParse(stated) ? new URL(stated) : undefined;
  if (!url || !/^https?:$/.test(url.protocol) || url.origin !== stated.replace(/\/$/, ''))
    throw new Error(`PORTIONA_READERS is "${stated}"; it must be an address without a path, such as https://cards.example`);
  return url;
}

/** Where readers are to find what this request asks about: as is stated, or as the request came. */
export function originFor(request: Request): string {
  return statedOrigin(process.env.PORTIONA_READERS)?.origin ?? `http://${request.headers.host ?? ''}`;
}
