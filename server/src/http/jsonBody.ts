import { createHash, type Hash } from 'node:crypto';
import { setImmediate } from 'node:timers/promises';
import type { NextFunction, Request, Response } from 'express';
import { tidied } from '@portiona/core';
import { BodyScan } from './bodyScan.js';
import { UnreadBody, type SentBody } from './unreadBody.js';
import { rememberOnceKey } from './onceKeyOf.js';
import { BusyError, RefusedRequestError, TooLargeError, ValidationError } from './problems.js';
import { limitsOf } from './routeLimits.js';
import { statedLength } from './statedLength.js';

const KIB = 1024;
/** More than this is not parsed beside other requests. */
const MOST_HERE = 128 * KIB;
/** After so many bytes gone over, others have their turn. */
const AT_A_TIME = 128 * KIB;
/** Room made at first for a body; more as it comes. */
const FIRST_ROOM = 256 * KIB;
/** Where bodies are read by who takes them. */
const AS_SENT = /^\/api\/kitchens\/[^/]+\/imports\/kitchen-file$/;

/**
 * Reads a request's JSON body: bounded, gone over as it comes in, its text put in order. A body that is large is left for a
 * thread to read. What is no JSON by its content type is left alone.
 *
 * @param expectLetIn throws where whoever asks is not let in: from them nothing large is read
 */
export function jsonBody(expectLetIn: (request: Request) => Promise<void>) {
  return (request: Request, response: Response, next: NextFunction): void => {
    if (!/^application\/json\b/i.test(request.headers['content-type'] ?? '')) return next();
    read(request, response, expectLetIn).then((body) => {
      request.body = body;
      next();
    }, next);
  };
}

async function read(request: Request, response: Response, expectLetIn: (request: Request) => Promise<void>): Promise<SentBody> {
  const { bytes: most } = limitsOf(request.path);
  if (request.headers['content-encoding'] !== undefined) throw new RefusedRequestError(415, 'send the body as it is, not packed');
  if (!/^application\/json(?:\s*;\s*charset\s*=\s*"?utf-8"?)?\s*$/i.test(request.headers['content-type'] ?? ''))
    throw new RefusedRequestError(415, 'send JSON as UTF-8');
  if (most > MOST_HERE && (statedLength(request) ?? most) > MOST_HERE) {
    await expectLetIn(request).catch((error: unknown) => {
      request.resume();
      throw error;
    });
    keepRoom(request, response, most);
  }
  const hash = createHash('sha256');
  const bytes = await bytesOf(request, most, hash);
  rememberOnceKey(request, hash.digest('base64'));
  if (bytes.length === 0) return undefined;
  return bytes.length > MOST_HERE || AS_SENT.test(request.path) ? new UnreadBody(bytes) : parsed(new TextDecoder().decode(bytes));
}

/** Bytes of large bodies that are here at once, coming in or waiting to be read. */
const MOST_AT_ONCE = 160 * KIB * KIB;
let here = 0;

/** Keeps room for a body until its request is answered. @throws BusyError when there is none: what is sent is let go by unread */
function keepRoom(request: Request, response: Response, most: number): void {
  const bytes = Math.min(most, statedLength(request) ?? most);
  if (bytes <= MOST_HERE) return;
  if (here + bytes > MOST_AT_ONCE) {
    request.resume();
    throw new BusyError('too much is being sent at once');
  }
  here += bytes;
  response.once('close', () => (here -= bytes));
}

/** @throws TooLargeError, RefusedRequestError: the rest is let go by unread then */
async function bytesOf(request: Request, most: number, hash: Hash): Promise<Uint8Array<ArrayBuffer>> {
  if ((statedLength(request) ?? 0) > most) {
    request.resume();
    throw new TooLargeError(most);
  }
  const scan = new BodyScan();
  // Room is made as it comes: what is said and never sent takes none.
  let bytes = new Uint8Array(Math.min(FIRST_ROOM, statedLength(request) ?? KIB));
  let length = 0;
  let gone = 0;
  try {
    // The connection outlives a refusal: what is refused is answered on it.
    for await (const chunk of request.iterator({ destroyOnReturn: false }) as AsyncIterable<Buffer>) {
      if (length + chunk.length > most) throw new TooLargeError(most);
      scan.add(chunk);
      if (scan.refusal !== undefined) throw new RefusedRequestError(422, scan.refusal);
      if (length + chunk.length > bytes.length) {
        const larger = new Uint8Array(
          Math.min(most, Math.max(length + chunk.length, Math.min(statedLength(request) ?? most, 2 * bytes.length))),
        );
        larger.set(bytes);
        bytes = larger;
      }
      bytes.set(chunk, length);
      length += chunk.length;
      hash.update(chunk);
      gone += chunk.length;
      if (gone < AT_A_TIME) continue;
      gone = 0;
      await setImmediate();
    }
  } catch (error) {
    request.resume();
    throw error;
  }
  return length === bytes.length ? bytes : bytes.slice(0, length);
}

/** JSON with its text in order. @throws RefusedRequestError where it is none, ValidationError where its text cannot be kept */
export function parsed(text: string): object {
  let found: unknown;
  try {
    found = JSON.parse(text);
  } catch {
    throw new RefusedRequestError(400, 'the body is not JSON');
  }
  if (typeof found !== 'object' || found === null) throw new RefusedRequestError(400, 'the body must be a JSON object');
  const { tidy, faults } = tidied(found);
  if (faults.length > 0) throw new ValidationError(faults);
  return tidy;
}
