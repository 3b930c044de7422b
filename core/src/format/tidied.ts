import { tidyText } from '../quantity/index.js';
import { joined } from './entryFaults.js';
import { MOST_FAULTS, type Fault } from './fault.js';

/** Deeper than anything a kitchen file holds. */
const DEEPEST = 12;
/** More keys than anything a kitchen file holds. */
const MOST_KEYS = 1000;

/** Something from outside with its text in order, or why it cannot be put in order. */
export interface Tidied<Found> {
  readonly tidy: Found;
  readonly faults: readonly Fault[];
}

/**
 * Puts the text of parsed JSON in order, wherever it stands: halves of letters are replaced, accents are composed (NFC). What is
 * in order already is given back as it is; the rest is copied as far as it changes.
 *
 * Faults are what no class could tell safely: NUL in a text, nesting without end, keys that reach into the runtime.
 *
 * @param found parsed JSON, trusted in nothing; it is not changed
 * @param path put before each fault's
 */
export function tidied<Found>(found: Found, path = ''): Tidied<Found> {
  const faults: Fault[] = [];
  return { tidy: node(found, () => path, 0, faults) as Found, faults };
}

/** @param path told only when it is needed: most of what is read is in order */
function node(found: unknown, path: () => string, depth: number, faults: Fault[]): unknown {
  if (faults.length >= MOST_FAULTS) return found;
  if (typeof found === 'string') return text(found, path, faults);
  if (typeof found !== 'object' || found === null) return found;
  if (depth > DEEPEST) {
    faults.push({ path: path(), message: 'is nested too deep to be a kitchen file' });
    return found;
  }
  return Array.isArray(found) ? list(found, path, depth, faults) : keyed(found as Record<string, unknown>, path, depth, faults);
}

function list(found: readonly unknown[], path: () => string, depth: number, faults: Fault[]): readonly unknown[] {
  let copy: unknown[] | undefined;
  for (let i = 0; i < found.length; i++) {
    const tidy = node(found[i], () => `${path()}[${i}]`, depth + 1, faults);
    if (tidy !== found[i]) (copy ??= [...found])[i] = tidy;
  }
  return copy ?? found;
}

function keyed(found: Record<string, unknown>, path: () => string, depth: number, faults: Fault[]): Record<string, unknown> {
  const entries: [string, unknown][] = [];
  let changed = false;
  const keys = Object.keys(found);
  if (keys.length > MOST_KEYS) {
    faults.push({ path: path(), message: `holds ${keys.length} keys, more than anything in a kitchen file` });
    return found;
  }
  for (const key of keys) {
    const at = () => joined(path(), key);
    if (key === '__proto__' || key === 'constructor' || key === 'prototype')
      faults.push({ path: at(), message: `unknown key "${key}"; take it out` });
    const [name, held] = [text(key, at, faults), node(found[key], at, depth + 1, faults)];
    changed ||= name !== key || held !== found[key];
    entries.push([name, held]);
    if (faults.length >= MOST_FAULTS) break;
  }
  return changed && faults.length === 0 ? Object.fromEntries(entries) : found;
}

function text(found: string, path: () => string, faults: Fault[]): string {
  if (found.includes('\0'))
    faults.push({ path: path().replaceAll('\0', '␀'), message: 'holds a NUL letter, which no text has; take it out' });
  return tidyText(found);
}
