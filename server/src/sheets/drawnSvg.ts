import { INK, type Block, type CardSheet, type Mark, type SheetPage, type TextMark } from '@portiona/core';
import { placedRuns } from './cardTypesetter.js';
import { FACE_TABLE, webFont } from './fontChain.js';
import { outlineOf } from './outline.js';

/** Photos by their id, as JPEG. */
export type Photos = ReadonlyMap<string, Buffer>;

let rules: string | undefined;

/** The faces of cards as style rules with the fonts inside: what shows them needs nothing from anywhere. */
export function cardFaceRules(): string {
  rules ??= (Object.keys(FACE_TABLE) as (keyof typeof FACE_TABLE)[])
    .map((face) => {
      const { family, weight, style } = FACE_TABLE[face];
      return `@font-face{font-family:"${family}";font-weight:${weight};font-style:${style};src:url(data:font/woff2;base64,${webFont(face).toString('base64')}) format("woff2")}`;
    })
    .join('\n');
  return rules;
}

/** Style rules of the words in a drawn page. */
export const SVG_RULES = `text{text-rendering:geometricPrecision;font-variant-numeric:lining-nums tabular-nums;font-kerning:normal;white-space:pre}${Object.entries(
  FACE_TABLE,
)
  .map(([face, { family, weight, style }]) => `.${face}{font-family:"${family}",serif;font-weight:${weight};font-style:${style}}`)
  .join('')}`;

/** A page as an SVG picture of its own: fonts and photos inside. */
export function drawnSvg(sheet: CardSheet, page: number, photos: Photos): string {
  const drawn = sheet.pages[page];
  if (!drawn) throw new RangeError(`the card has no page ${page + 1}`);
  return `<?xml version="1.0" encoding="UTF-8"?>\n${pageSvg(sheet, drawn, photos, { own: true })}`;
}

/**
 * A page as an SVG element.
 *
 * @param own with its fonts and its name inside; without, for within a page that has them
 */
export function pageSvg(sheet: CardSheet, page: SheetPage, photos: Photos, { own }: { readonly own: boolean }): string {
  const { width, height, unit, title } = sheet;
  const size = own ? ` width="${width}${unit}" height="${height}${unit}"` : '';
  const inside = own ? `<title>${escapedXml(title)}</title><style>${cardFaceRules()}${SVG_RULES}</style>` : '';
  const paper = `<rect width="${width}" height="${height}" fill="#fff"/>`;
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}"${size} lang="en" xml:lang="en">${inside}${paper}${blocksSvg(page.blocks, photos)}</svg>`;
}

/** Blocks in their order, members of a list within it. */
function blocksSvg(blocks: readonly Block[], photos: Photos): string {
  let list: string | undefined;
  const drawn = blocks.map((block) => {
    const before = list === block.list ? '' : `${list === undefined ? '' : '</g>'}${block.list === undefined ? '' : '<g role="list">'}`;
    list = block.list;
    return `${before}${blockSvg(block, photos)}`;
  });
  return `${drawn.join('')}${list === undefined ? '' : '</g>'}`;
}

function blockSvg({ role, figure, alt, marks }: Block, photos: Photos): string {
  const drawn = marks.map((mark, i) => `${isApart(marks[i - 1], mark) ? ' ' : ''}${markSvg(mark, photos)}`).join('');
  if (role === 'Ornament') return `<g aria-hidden="true">${drawn}</g>`;
  if (alt !== undefined) return `<g role="img" aria-label="${escapedXml(alt)}">${drawn}</g>`;
  if (figure !== undefined) return `<g data-figure="${escapedXml(figure)}">${pressable(marks)}${drawn}</g>`;
  if (role === 'LI') return `<g role="listitem">${drawn}</g>`;
  return role === 'H1' || role === 'H2' ? `<g role="heading" aria-level="${role === 'H1' ? 1 : 2}">${drawn}</g>` : `<g>${drawn}</g>`;
}

/** A field over all texts of a block: it is pressed anywhere, and not on its letters alone. */
function pressable(marks: readonly Mark[]): string {
  const texts = marks.filter((mark): mark is TextMark => mark.kind === 'text');
  if (texts.length === 0) return '';
  const [left, right] = [Math.min(...texts.map(({ x }) => x)), Math.max(...texts.map(({ x, width }) => x + width))];
  const [top, bottom] = [Math.min(...texts.map(({ y, size }) => y - size * 0.8)), Math.max(...texts.map(({ y, size }) => y + size * 0.25))];
  return `<rect x="${number(left)}" y="${number(top)}" width="${number(right - left)}" height="${number(bottom - top)}" fill="transparent"/>`;
}

/** Whether two texts of a block stand apart: then a space is heard between them, and copied. */
function isApart(before: Mark | undefined, mark: Mark): boolean {
  if (before?.kind !== 'text' || mark.kind !== 'text') return false;
  return before.y !== mark.y || mark.x - before.x - before.width > 0.5;
}

function markSvg(mark: Mark, photos: Photos): string {
  if (mark.kind === 'text') return textSvg(mark);
  if (mark.kind === 'shape') {
    const { path, fill, stroke, strokeWidth = 1, dash, opacity } = mark;
    return `<path d="${path}" fill="${fill ? INK[fill] : 'none'}"${stroke ? ` stroke="${INK[stroke]}" stroke-width="${number(strokeWidth)}"` : ''}${dash ? ` stroke-dasharray="${dash.map(number).join(' ')}"` : ''}${opacity === undefined ? '' : ` opacity="${opacity}"`}/>`;
  }
  const { x, y, width, height, id, crop } = mark;
  const photo = photos.get(id);
  if (!photo) return '';
  // The whole picture, as large as its part asks for, seen through a window of that part.
  const [wide, high] = [width / crop.width, height / crop.height];
  return `<svg x="${number(x)}" y="${number(y)}" width="${number(width)}" height="${number(height)}" viewBox="0 0 ${number(width)} ${number(height)}" overflow="hidden"><image x="${number(-crop.x * wide)}" y="${number(-crop.y * high)}" width="${number(wide)}" height="${number(high)}" preserveAspectRatio="none" href="data:image/jpeg;base64,${photo.toString('base64')}"/></svg>`;
}

/** Words as text, as wide as they were measured; what the cards' own fonts lack is drawn as its outline beside words that nobody sees. */
function textSvg(mark: TextMark): string {
  const { x, y, words, face, size, ink } = mark;
  return placedRuns(words, face, size)
    .map((run) => {
      const left = x + run.x;
      const own = run.font.name.includes('-latin-') && !run.font.name.includes('-latin-ext');
      const text = (fill: string) =>
        `<text class="${face}" x="${number(left)}" y="${number(y)}" font-size="${number(size)}" textLength="${number(run.width)}" fill="${fill}">${escapedXml(run.words)}</text>`;
      return own
        ? text(INK[ink])
        : `<path d="${outlineOf({ words: run.words, face, size, x: left, y })}" fill="${INK[ink]}"/>${text('none')}`;
    })
    .join('');
}

function number(of: number): string {
  return String(Math.round(of * 1000) / 1000);
}

/** Text as it may stand in an element or an attribute; what XML cannot hold is left out. */
export function escapedXml(text: string): string {
  return text
    .replace(/[^\t\n\r\u0020-\ud7ff\ue000-\ufffd\u{10000}-\u{10ffff}]/gu, '')
    .replace(/&/g, '&amp;')
    .replace(/</g, '&lt;')
    .replace(/>/g, '&gt;')
    .replace(/"/g, '&quot;')
    .replace(/'/g, '&#39;');
}
