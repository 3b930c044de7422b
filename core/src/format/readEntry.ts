import 'reflect-metadata';
import { entryFaults, isSoundEntry } from './entryFaults.js';
import { firstOf, type Fault } from './fault.js';
import { tidied } from './tidied.js';

/** Something read from outside: itself, or every fault in it. */
export type Read<T> = { readonly ok: true; readonly entry: T } | { readonly ok: false; readonly faults: readonly Fault[] };

/**
 * Reads one object from outside by its class: every key known, every number in bounds, its text well-formed. It stops at
 * `MOST_FAULTS`, and takes time in proportion to what is read.
 *
 * @param type class with the rules
 * @param found parsed JSON, trusted in nothing; it is not changed
 * @param path of the object, put before each fault's
 */
export function readEntry<T extends object>(type: new () => T, found: unknown, path = ''): Read<T> {
  if (typeof found !== 'object' || found === null || Array.isArray(found))
    return { ok: false, faults: [{ path, message: 'must be an object' }] };
  const { tidy, faults } = tidied(found, path);
  if (faults.length > 0) return { ok: false, faults };
  if (isSoundEntry(type, tidy)) return { ok: true, entry: tidy as T };
  const told = firstOf(entryFaults(type, tidy, path));
  return { ok: false, faults: told.length > 0 ? told : [{ path, message: 'cannot be read as a kitchen file' }] };
}
