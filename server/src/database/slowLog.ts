import type { Logger } from 'typeorm';

/** Hears of statements that took long, and of nothing else: what goes wrong is thrown. */
export class SlowLog implements Logger {
  constructor(private readonly tell: (milliseconds: number, statement: string) => void) {}

  /** What it was given is passed to nobody: that is what people have written. */
  logQuerySlow(milliseconds: number, statement: string): void {
    this.tell(milliseconds, statement);
  }

  logQuery(): void {}
  logQueryError(): void {}
  logSchemaBuild(): void {}
  logMigration(): void {}
  log(): void {}
}
