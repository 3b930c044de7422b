import type { IncomingMessage } from 'node:http';

/** What the sender says its body weighs, bytes; undefined where it does not. */
export function statedLength({ headers }: IncomingMessage): number | undefined {
  const stated = headers['content-length'];
  return stated === undefined ? undefined : Number(stated);
}
