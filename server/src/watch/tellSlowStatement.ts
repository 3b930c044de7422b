import { makeLog } from '../http/log.js';
import { noteSlow } from './slowStatements.js';

/** Remembers a statement that took long, and writes it into the log: without what it was given, that is what people have written. */
export function tellSlowStatement(milliseconds: number, statement: string, request: string | undefined): void {
  const { text, ...noted } = noteSlow(milliseconds, statement, request);
  makeLog().warn({ ...noted, statement: text }, 'slow statement');
}
