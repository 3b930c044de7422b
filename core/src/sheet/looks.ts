import type { Run } from './paragraph.js';
import type { Face } from './face.js';
import type { Ink } from './ink.js';

/** Makes runs at a scale: sizes are given in the pixels that the designs are drawn in. */
export interface Looks {
  /** How many units of the page a pixel of the design is. */
  readonly u: number;
  readonly run: (words: string, face: Face, size: number, ink?: Ink) => Run;
}

/** Looks at a scale. */
export function looksAt(u: number): Looks {
  return { u, run: (words, face, size, ink = 'ink') => ({ words, face, size: size * u, ink }) };
}
