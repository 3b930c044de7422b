import { FORMAT_TABLE, type CardSheet, type Format } from '@portiona/core';
import { cardFaceRules, escapedXml, pageSvg, SVG_RULES, type Photos } from './drawnSvg.js';

/**
 * A card that is laid out, as a page of its own: on screen sheets on their ground, in print the sheets alone. How it came out is said
 * in data of its body, for who shows it.
 */
export function sheetPage(sheet: CardSheet, photos: Photos, format: Format): string {
  const { width, height, unit, title, pages, scale, torn, lacking } = sheet;
  const { name } = FORMAT_TABLE[format];
  const told = { pages: pages.length, scale, torn, lacking };
  const sheets = pages
    .map(
      (page, i) =>
        `<section class="sheet" aria-label="${escapedXml(`${name}, page ${i + 1} of ${pages.length}`)}">${pageSvg(sheet, page, photos, { own: false })}</section>`,
    )
    .join('');
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>${escapedXml(title)}</title><style>${cardFaceRules()}${SVG_RULES}
@page{size:${width}${unit} ${height}${unit};margin:0}
body{margin:0;background:#cfd3d3;display:grid;justify-items:center;gap:24px;padding:20px 0}
.sheet{width:${width}${unit};height:${height}${unit};box-shadow:0 2px 5px #0002,0 10px 30px #0002;background:#fff}
.sheet svg{display:block;width:100%;height:100%}
[data-figure]{cursor:pointer}
[data-figure]:focus-visible{outline:2px solid #5e2750;outline-offset:2px}
@media print{body{display:block;background:none;padding:0}.sheet{box-shadow:none;break-after:page}.sheet:last-child{break-after:auto}}
</style></head><body data-told="${escapedXml(JSON.stringify(told))}">${sheets}</body></html>`;
}
