import type { Face, Typesetter } from '@portiona/core';
import { FEATURES, fontRuns, hasShape } from './fontChain.js';

/** Words whose width is kept, at most: some thousand cards say them. */
const MOST_KEPT = 50_000;

const widths = new Map<string, number>();

/** Measures with the very fonts that cards are printed in. */
export const cardTypesetter: Typesetter = {
  ems: (words, face) => {
    const key = `${face} ${words}`;
    const known = widths.get(key);
    if (known !== undefined) return known;
    const wide = fontRuns(words, face).reduce((sum, run) => sum + emsOf(run.words, run.font.font), 0);
    if (widths.size >= MOST_KEPT) widths.clear();
    widths.set(key, wide);
    return wide;
  },
  lacking: (words) => [...new Set([...words].filter((letter) => !hasShape(letter, 'serif') && letter.trim() !== ''))],
};

/** How wide words are in one font, in ems. */
export function emsOf(words: string, font: ReturnType<typeof fontRuns>[number]['font']['font']): number {
  return font.layout(words, FEATURES).advanceWidth / font.unitsPerEm;
}

/** Where the shapes of a text stand: each font's stretch, from where it begins. */
export function placedRuns(
  words: string,
  face: Face,
  size: number,
): readonly {
  readonly font: ReturnType<typeof fontRuns>[number]['font'];
  readonly words: string;
  readonly x: number;
  readonly width: number;
}[] {
  let x = 0;
  return fontRuns(words, face).map(({ font, words: own }) => {
    const width = emsOf(own, font.font) * size;
    const placed = { font, words: own, x, width };
    x += width;
    return placed;
  });
}
