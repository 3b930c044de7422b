import type { LoggerService } from '@nestjs/common';
import { pino, type Logger } from 'pino';

/** The server's log: one JSON object a line on standard output; LOG_LEVEL=silent stills it. */
export function makeLog(): Logger {
  return pino({ level: process.env.LOG_LEVEL ?? 'info' });
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
