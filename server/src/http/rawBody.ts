import type { Request } from 'express';
import { TooLargeError } from './problems.js';
import { statedLength } from './statedLength.js';
import { UnreadBody } from './unreadBody.js';

/** A body that is no text, as it was sent. @throws TooLargeError, and the connection stays open for the answer */
export async function rawBody(request: Request, most: number): Promise<UnreadBody> {
  if ((statedLength(request) ?? 0) > most) {
    request.resume();
    throw new TooLargeError(most);
  }
  const pieces: Buffer[] = [];
  let size = 0;
  for await (const piece of request.iterator({ destroyOnReturn: false }) as AsyncIterable<Buffer>) {
    size += piece.length;
    if (size > most) {
      request.resume();
      throw new TooLargeError(most);
    }
    pieces.push(piece);
  }
  return new UnreadBody(new Uint8Array(Buffer.concat(pieces)));
}
