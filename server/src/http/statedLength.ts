import type { IncomingMessage } from 'node:http';

/** What the sender says its body weighs, bytes: 0 where it sends none, undefined where it does not say. */
export function statedLength({ headers }: Pick<IncomingMessage, 'headers'>): number | undefined {
  const stated = headers['content-length'];
  if (stated !== undefined) return Number(stated);
  return headers['transfer-encoding'] === undefined ? 0 : undefined;
}
