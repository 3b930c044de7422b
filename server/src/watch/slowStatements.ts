import { slowQueries } from './metrics.js';

/** Milliseconds that a statement may take before it is told of. */
export const slowAfter = () => Number(process.env.PORTIONA_SLOW_QUERY_MS ?? 500);
/** Letters of a statement that are told, and how many of the last ones are remembered. */
const MOST_LETTERS = 600;
const KEPT = 20;

/** A statement that took long: its text, without what it was given. */
export interface SlowStatement {
  readonly at: string;
  readonly milliseconds: number;
  readonly text: string;
  /** The request it was for. */
  readonly request: string | undefined;
}

const last: SlowStatement[] = [];

/** Remembers a statement that took long. What it was given is told nowhere: that is what people have written. */
export function noteSlow(milliseconds: number, statement: string, request: string | undefined): SlowStatement {
  slowQueries.inc();
  const text = statement.replace(/\s+/g, ' ').trim().slice(0, MOST_LETTERS);
  const noted = { at: new Date().toISOString(), milliseconds: Math.round(milliseconds), text, request };
  last.unshift(noted);
  last.length = Math.min(last.length, KEPT);
  return noted;
}

/** The last ones of this process, newest first. */
export function slowStatements(): readonly SlowStatement[] {
  return [...last];
}
