import { asRead, type CardContent } from '../card/index.js';
import { FORMAT_TABLE, type Design, type ToLay } from './design.js';
import { docketSheet } from './docketSheet.js';
import { indexSheet } from './indexSheet.js';
import type { CardSheet, SheetPage } from './mark.js';
import { pageSheet } from './pageSheet.js';
import { pictureSheet } from './pictureSheet.js';
import type { Setting } from './stack.js';

const DESIGN_TABLE: Readonly<
  Record<Design, (toLay: ToLay, setting: Setting) => { readonly pages: readonly SheetPage[]; readonly scale: number }>
> = {
  docket: docketSheet,
  page: pageSheet,
  index: indexSheet,
  picture: pictureSheet,
};

/**
 * Lays a card out in a format: what stands where, to the last word. Preview, print, PDF and picture all draw what comes of it, so that
 * all show the same. What does not fit is set smaller in steps, then goes on on further pages; nothing is cut off.
 */
export function laidCard(toLay: Omit<ToLay, 'card'> & { readonly card: CardContent }): CardSheet {
  const { design, width, height, unit } = FORMAT_TABLE[toLay.format];
  const card = asRead(toLay.card);
  const torn = new Set<string>();
  const { pages, scale } = DESIGN_TABLE[design]({ ...toLay, card }, { set: toLay.set, torn });
  const words = pages.flatMap(({ blocks }) =>
    blocks.flatMap(({ marks }) => marks.flatMap((mark) => (mark.kind === 'text' ? mark.words : []))),
  );
  return {
    title: card.title,
    width,
    height,
    unit,
    pages,
    scale,
    torn: [...torn],
    lacking: [...new Set(words.flatMap((one) => toLay.set.lacking(one)))],
  };
}
