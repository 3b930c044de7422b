import { basename, dirname } from 'node:path';
import type { LoggerService } from '@nestjs/common';
import { pino, type Logger } from 'pino';
import { createStream } from 'rotating-file-stream';
import { wall } from '../database/wall.js';
import { SteadyStream } from './steadyStream.js';

/** A log file's size before another is begun, and how many are kept. */
const SIZE = '5M';
const KEPT = 4;

let log: Logger | undefined;

/**
 * The server's log: one JSON object a line, in the file that PORTIONA_LOG names, which is begun anew in time and never grows
 * without end; without one, on standard output. LOG_LEVEL=silent stills it. A log that cannot be written ends nothing.
 */
export function makeLog(): Logger {
  log ??= pino(
    {
      level: process.env.LOG_LEVEL ?? 'info',
      // What is told of while a request is answered is found by its id.
      mixin: () => {
        const request = wall.getStore()?.request;
        return request === undefined ? {} : { request };
      },
    },
    new SteadyStream(process.env.PORTIONA_LOG ? toFile(process.env.PORTIONA_LOG) : () => process.stdout),
  );
  return log;
}

function toFile(path: string) {
  return () => createStream(basename(path), { path: dirname(path), size: SIZE, maxFiles: KEPT, initialRotation: true });
}

/** The framework's own messages go to the same log. */
export class FrameworkLog implements LoggerService {
  constructor(private readonly logger: Logger) {}
  log(message: unknown): void {
    this.logger.debug(String(message));
  }
  error(message: unknown, ...more: unknown[]): void {
    this.logger.error({ more }, String(message));
  }
  warn(message: unknown): void {
    this.logger.warn(String(message));
  }
}
