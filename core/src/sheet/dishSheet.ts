import { asRead, type CardContent } from '../card/index.js';
import { band, type PictureSize } from './band.js';
import type { Typesetter } from './face.js';
import { looksAt } from './looks.js';
import type { CardSheet } from './mark.js';

const WIDTH = 780;
const HEIGHT = 440;

/** The dish alone, to stand at the head of a page: its photo, or a box of it from above. In pixels. */
export function dishSheet(made: CardContent, photo: PictureSize | undefined, set: Typesetter): CardSheet {
  const card = asRead(made);
  const field = { x: 0, y: 0, width: WIDTH, height: HEIGHT };
  const blocks = band(card, { ...field, clear: field }, 'band', photo, looksAt(1.5), { set, torn: new Set() });
  return { title: card.title, width: WIDTH, height: HEIGHT, unit: 'px', pages: [{ blocks, filled: 1 }], scale: 1, torn: [], lacking: [] };
}
