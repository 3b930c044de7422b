import { closest, distance } from 'fastest-levenshtein';

/** Something a kitchen file says that cannot be read: where, and what to do. */
export interface Fault {
  /** JSON path: `recipes[0].parts[1].lines[3].unit`. */
  readonly path: string;
  readonly message: string;
}

/** Faults told at once; more would bury the first, and nobody reads on. */
export const MOST_FAULTS = 100;

/** As many faults as are told at once: no more is looked for. */
export function firstOf(faults: Iterable<Fault>): Fault[] {
  const told: Fault[] = [];
  for (const fault of faults) {
    told.push(fault);
    if (told.length === MOST_FAULTS) break;
  }
  return told;
}

/** A fault as one line: `path: message`. */
export function faultText({ path, message }: Fault): string {
  return path === '' ? message : `${path}: ${message}`;
}

/** Words compared at most: a hint must not take longer than reading. */
const MOST_COMPARED = 5000;

/**
 * The known word a person most likely meant, as the end of a message.
 *
 * @example didYouMean('cupp', ['cup', 'can']) // '; did you mean "cup"?'
 */
export function didYouMean(word: string, known: readonly string[]): string {
  if (known.length === 0 || word.length > 60) return '';
  const nearest = closest(word.toLowerCase(), known.slice(0, MOST_COMPARED));
  return distance(word.toLowerCase(), nearest.toLowerCase()) <= Math.max(1, Math.floor(word.length / 3))
    ? `; did you mean "${nearest}"?`
    : '';
}
