import type { TextMark } from '@portiona/core';
import { placedRuns } from './cardTypesetter.js';
import { FEATURES } from './fontChain.js';

/** The outline of a text as path data, its letters where the layout put them: for whoever draws without fonts. */
export function outlineOf({ words, face, size, x, y }: Pick<TextMark, 'words' | 'face' | 'size' | 'x' | 'y'>): string {
  return placedRuns(words, face, size)
    .map(({ font: { font }, words: own, x: from }) => {
      const scale = size / font.unitsPerEm;
      const { glyphs, positions } = font.layout(own, FEATURES);
      let pen = 0;
      return glyphs
        .map((glyph, i) => {
          const { xOffset = 0, yOffset = 0, xAdvance = 0 } = positions[i] ?? {};
          const at = { x: x + from + (pen + xOffset) * scale, y: y - yOffset * scale };
          pen += xAdvance;
          return glyph.path.scale(scale, -scale).translate(at.x, at.y).toSVG();
        })
        .join('');
    })
    .join('');
}
