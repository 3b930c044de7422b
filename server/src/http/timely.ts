import type { Socket } from 'node:net';
import type { NextFunction, Request, Response } from 'express';
import { problemOf } from './problemOf.js';
import { TooLongError, TooSlowError } from './problems.js';
import { limitsOf } from './routeLimits.js';
import { sendProblem } from './sendProblem.js';

/** Milliseconds between looks whether a body still comes, and bytes that have to have come since the last. */
const LOOK_EVERY = 10_000;
const LEAST = 512;

/** Bytes that are read and thrown away of a body that was answered before it had come, and milliseconds in which they have to come. */
const THROWN_AWAY = { bytes: 8 * 1024 * 1024, within: 5_000 };

/** Lines that stay open. */
const STAYS_OPEN = /\/events$/;

/**
 * Ends what does not end by itself: bodies that stop coming or take longer than they may, and requests that find no answer in time. A
 * line that is refused so is closed, since what was to come on it may still come.
 *
 * @param lookEvery milliseconds
 */
export function timely({ lookEvery = LOOK_EVERY, limits = limitsOf } = {}) {
  return (request: Request, response: Response, next: NextFunction): void => {
    const { arrive, answer } = limits(request.path);
    const begun = performance.now();
    // Kept from the start: a request whose body is left in the middle has it no more.
    const { socket } = request;
    let seen = socket.bytesRead;
    const refuse = (error: Error) => {
      clearInterval(coming);
      response.set('Connection', 'close');
      if (response.headersSent) return void socket.destroy();
      response.once('finish', () => socket.destroySoon());
      sendProblem(response, problemOf(error));
    };
    const coming = setInterval(() => {
      if (request.complete) return clearInterval(coming);
      const now = socket.bytesRead;
      if (performance.now() - begun > arrive || now - seen < LEAST) refuse(new TooSlowError());
      seen = now;
    }, lookEvery);
    let waiting: NodeJS.Timeout | undefined;
    const wait = () => {
      if (!STAYS_OPEN.test(request.path)) waiting = setTimeout(() => !response.headersSent && refuse(new TooLongError()), answer);
    };
    const { 'content-length': length, 'transfer-encoding': pieces } = request.headers;
    if (request.complete || (length === undefined && pieces === undefined)) wait();
    else request.once('end', wait);
    response.once('close', () => {
      clearInterval(coming);
      clearTimeout(waiting);
    });
    response.once('finish', () => throwAway(request, socket));
    next();
  };
}

/** Reads what comes yet of a body that was answered already: whatever is asked next on the line stands behind it. */
function throwAway(request: Request, socket: Socket): void {
  if (request.complete || socket.destroyed) return;
  if (request.destroyed) return socket.destroySoon();
  let left = THROWN_AWAY.bytes;
  const tooLong = setTimeout(() => socket.destroy(), THROWN_AWAY.within);
  request.on('data', (piece: Buffer) => {
    if ((left -= piece.length) < 0) socket.destroy();
  });
  request.once('close', () => clearTimeout(tooLong));
  request.unpipe();
  request.resume();
}
