import { readEntry } from '@portiona/core';
import { ValidationError } from './problems.js';

/**
 * Reads a document of a request by the kitchen file's class for it.
 *
 * @param path put before each fault's: where in the body the document stands
 * @throws ValidationError with every fault
 */
export function readBody<T extends object>(type: new () => T, found: unknown, path: string): T {
  const read = readEntry(type, found, path);
  if (!read.ok) throw new ValidationError(read.faults);
  return read.entry;
}

/** Reads a request's whole body by its class. @throws ValidationError with every fault */
export function readSent<T extends object>(type: new () => T, found: unknown): T {
  return readBody(type, found ?? {}, '');
}
