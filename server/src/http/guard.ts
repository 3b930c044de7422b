import type { IncomingMessage } from 'node:http';
import type { NextFunction, Request, Response } from 'express';
import { isForReaders } from './forReaders.js';
import { RefusedRequestError } from './problems.js';

/** Methods that change nothing. */
const SAFE: ReadonlySet<string> = new Set(['GET', 'HEAD', 'OPTIONS']);
/** Whether a request by this method changes nothing. */
export function isSafe(method: string): boolean {
  return SAFE.has(method);
}

/** Content types that no form and no plain cross-site request can send: a browser asks first, and is told no. */
const PLAIN_TYPES = /^(?:application\/(?:json|octet-stream)|text\/csv)\s*(?:;|$)/i;
const LOOPBACK = ['127.0.0.1', 'localhost', '[::1]'];

/** Names the server is reached by: loopback with the port it listens on, and what is configured. */
export interface ServedNames {
  /** Names with port, such as `kitchen.example:8443`. */
  readonly names: readonly string[];
}

/**
 * Lets through what comes from the application itself or from no browser at all. A page of another origin that had a name of
 * its own lead here (rebinding) has the wrong Host; one that sends a form or a plain request has the wrong Origin and content
 * type.
 */
export function guard({ names }: ServedNames) {
  const isServed = servedNames(names);
  return (request: Request, _: Response, next: NextFunction): void => {
    const { host, origin } = request.headers;
    if (!isServed(request))
      throw new RefusedRequestError(421, 'this server is not reached by that name; open it by the address it has printed');
    const site = request.headers['sec-fetch-site'];
    const foreign = site !== undefined && site !== 'same-origin' && site !== 'none';
    // What anybody may read may be shown by anybody.
    if (SAFE.has(request.method) && isForReaders(request.path)) return next();
    // A link leads here from anywhere; a picture or a script on another page is no link.
    if (SAFE.has(request.method) && (!foreign || request.headers['sec-fetch-mode'] === 'navigate')) return next();
    if (foreign || (origin !== undefined && hostOf(origin) !== host?.toLowerCase()))
      throw new RefusedRequestError(403, 'another page asked for this, and only the application itself may');
    if (request.method !== 'DELETE' && !PLAIN_TYPES.test(request.headers['content-type'] ?? ''))
      throw new RefusedRequestError(415, 'send this as application/json');
    next();
  };
}

/**
 * Whether a line that is to stay open (a WebSocket) is asked for by the application itself, or by no browser at all: those are not held
 * back by what a browser lets one page ask of another.
 */
export function isOwnUpgrade(request: IncomingMessage, { names }: ServedNames): boolean {
  const { host, origin } = request.headers;
  return servedNames(names)(request) && (origin === undefined || hostOf(origin) === host?.toLowerCase());
}

/** Whether a request is made by a name that the server is reached by. */
function servedNames(names: readonly string[]): (request: IncomingMessage) => boolean {
  const served = new Set(names.map((name) => name.toLowerCase()));
  return ({ headers: { host }, socket }) => {
    // The port that is listened on is known only by then; loopback names go with it.
    const loopback = LOOPBACK.map((name) => `${name}:${socket.localPort}`);
    return host !== undefined && (served.has(host.toLowerCase()) || loopback.includes(host.toLowerCase()));
  };
}

function hostOf(origin: string): string | undefined {
  try {
    return new URL(origin).host.toLowerCase();
  } catch {
    return undefined;
  }
}

/** Names configured besides loopback, separated by commas. */
export function configuredNames(words: string | undefined): ServedNames {
  return {
    names: (words ?? '')
      .split(',')
      .map((name) => name.trim())
      .filter(Boolean),
  };
}
