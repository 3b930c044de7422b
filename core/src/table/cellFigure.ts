import { cutText } from '../quantity/index.js';
import { unitInCell } from './tableUnit.js';
import type { TableUnit } from './tableTarget.js';

/** Why a cell gives what it gives. */
export type CellNote = 'trace' | 'less than' | 'bracketed' | 'marked';

/** A cell of a food table, read: a figure, something nobody knows, or text that is neither. */
export type CellFigure =
  | { readonly kind: 'figure'; readonly amount: number; readonly unit?: TableUnit; readonly note?: CellNote }
  | { readonly kind: 'unknown' }
  | { readonly kind: 'unreadable'; readonly message: string };

/** Nothing, a dash, "N" (there, but nobody knows how much), "not analysed" in its many words. */
const UNKNOWN =
  /^(?:|[-–—−.…?*]+|n|n\.?\s?a\.?|n\/a|n\.?\s?d\.?|k\.?\s?a\.?|nv|ng|nan|null|none|nil data|missing|unknown|not (?:available|analy[sz]ed|determined|known)|keine angabe|nicht bestimmt|non d[ée]termin[ée]|#n\/a|#n\/v)$/iu;
const TRACE = /^(?:tr|tr\.|trace|traces|spuren?|spor|spår|sp\.?|trazas?|traços|vestigi|tracce|sporen|ślad|\+)$/iu;
const LIMIT = /^(?:<|≤|&lt;|less than|under|below|moins de|weniger als|inf\.?(?:érieur)? à)\s*/iu;
const ABOVE = /^(?:>|≥|&gt;|more than|over|plus de|mehr als)\s*/iu;
const ABOUT = /^(?:~|≈|ca\.?|circa|env\.?|approx\.?|about)\s*/iu;
/** A footnote mark at the end: star, dagger, raised figure, a letter in brackets or alone behind the number. */
const MARK = /(?:[*†‡§¶#'"`´^°ª]|[¹²³⁰⁴⁵⁶⁷⁸⁹ᵃᵇᶜᵈᵉ]|\([a-z]{1,2}\)|\[[a-z]{1,2}\]|(?<=[\d)\]])\s?[a-dfhijln-z])$/iu;
const PLUS_MINUS = / ?(?:±|\+\/-) ?[\d.,]+$/u;
/** No figure is longer, with all that may stand about it. */
const LONGEST = 80;
const NUMBER: Readonly<Record<'.' | ',', RegExp>> = {
  '.': /^(?:\d{1,3}(?:[ ,'’]\d{3})+|\d+)?(?:\.\d+)?(?:e[+-]?\d+)?$/i,
  ',': /^(?:\d{1,3}(?:[ .'’]\d{3})+|\d+)?(?:,\d+)?(?:e[+-]?\d+)?$/i,
};
const MOST = 1e9;

/**
 * Reads a cell of a food table. A trace is none and "<x" half of x, both noted; brackets mean an estimate and are noted; marks
 * behind a figure fall away; a dash, "N" and nothing are unknown, never zero.
 *
 * @param decimal what stands before the decimals in this table
 * @example cellFigure('<0,5', ',') // { kind: 'figure', amount: 0.25, note: 'less than' }
 */
export function cellFigure(text: string, decimal: '.' | ','): CellFigure {
  if (text.length > 2 * LONGEST && text.trim().length > LONGEST) return unreadable(text.trim(), 'is no figure');
  const plain = text.replace(/\s+/gu, ' ').trim();
  if (plain.length > LONGEST) return unreadable(plain, 'is no figure');
  if (UNKNOWN.test(plain)) return { kind: 'unknown' };
  const inner = bracketed(plain);
  if (inner !== undefined) return noted(cellFigure(inner, decimal), 'bracketed');
  if (TRACE.test(plain)) return { kind: 'figure', amount: 0, note: 'trace' };
  if (ABOVE.test(plain)) return unreadable(plain, 'says only that it is more');
  const limited = LIMIT.test(plain);
  const bare = plain.replace(LIMIT, '').replace(ABOUT, '').replace(PLUS_MINUS, '');
  const unit = /^(.*?[\d)\]])\s*([\p{L}µμ%/]+)\.?$/iu.exec(bare);
  const unitRead = unit ? unitInCell(unit[2] ?? '') : undefined;
  const digits = unitRead === undefined ? withoutMarks(bare) : (unit?.[1] ?? '');
  const amount = numberOf(digits.trim(), decimal);
  if (amount === undefined) return unreadable(plain, 'is no figure');
  if (amount < 0) return unreadable(plain, 'is below nothing');
  if (amount > MOST) return unreadable(plain, 'is more than can be');
  const note = limited ? 'less than' : unitRead === undefined && digits.trim() !== bare.trim() ? 'marked' : undefined;
  return {
    kind: 'figure',
    amount: limited ? amount / 2 : amount,
    ...(unitRead === undefined ? {} : { unit: unitRead }),
    ...(note ? { note } : {}),
  };
}

/** What stands in brackets, where all of it does; a mark may stand behind them. */
function bracketed(text: string): string | undefined {
  if (!/^[([{]/.test(text)) return undefined;
  const unmarked = text.replace(/[*†‡§]$/u, '').trimEnd();
  return /[)\]}]$/.test(unmarked) && unmarked.length > 1 ? unmarked.slice(1, -1).trim() : undefined;
}

/** Freed of the footnote marks at its end, however many. */
function withoutMarks(text: string): string {
  let bare = text;
  for (let found = MARK.exec(bare); found; found = MARK.exec(bare)) bare = bare.slice(0, found.index).trimEnd();
  return bare;
}

/** A number whose decimals stand behind a point or a comma; undefined when it is none. */
function numberOf(text: string, decimal: '.' | ','): number | undefined {
  const sign = /^[-−]\s*/.test(text) ? -1 : 1;
  const bare = text.replace(/^[-−+]\s*/, '');
  if (bare === '' || !/\d/.test(bare)) return undefined;
  // "12,5" in a table of points can only be a decimal comma, "1,234" there only thousands.
  const other = decimal === '.' ? ',' : '.';
  const mark = NUMBER[decimal].test(bare) ? decimal : NUMBER[other].test(bare) ? other : undefined;
  if (mark === undefined) return undefined;
  const number = Number(bare.replace(mark === '.' ? /[ ,'’]/g : /[ .'’]/g, '').replace(',', '.'));
  return Number.isFinite(number) ? sign * number : undefined;
}

function noted(figure: CellFigure, note: CellNote): CellFigure {
  return figure.kind === 'figure' ? { ...figure, note: figure.note ?? note } : figure;
}

function unreadable(text: string, why: string): CellFigure {
  return { kind: 'unreadable', message: `“${text.length > 40 ? `${cutText(text, 39)}…` : text}” ${why}` };
}

/**
 * What stands before the decimals in a table, by its cells: a comma where more figures can only be read so.
 *
 * @param cells of many rows
 */
export function decimalOf(cells: readonly string[]): '.' | ',' {
  let commas = 0;
  let points = 0;
  for (const cell of cells) {
    const bare = cell.trim().replace(LIMIT, '');
    if (/^\d+,\d{1,2}$|^\d+,\d{4,}$|^0,\d+$/.test(bare)) commas++;
    if (/^\d+\.\d{1,2}$|^\d+\.\d{4,}$|^0?\.\d+$/.test(bare)) points++;
  }
  return commas > points ? ',' : '.';
}
