import {
  LEAST_FILLED,
  looksAt,
  poured,
  ruled,
  textItem,
  widthOfRuns,
  marksOfLine,
  brokenText,
  type Block,
  type FilledColumn,
  type Item,
  type Looks,
  type Setting,
} from '../sheet/index.js';
import type { BookletPage } from './booklet.js';

/** A page that lists are set on. */
export interface ListLook {
  readonly width: number;
  readonly height: number;
  readonly setting: Setting;
}

/** A row of a list: what it names, what is said of it, and the page that it leads to. */
export interface Row {
  /** What this row and those below have in common, beside the first of them; empty: that of the row above. */
  readonly head?: string;
  /** A number before it. */
  readonly before?: string;
  readonly name: string;
  /** In small letters under it. */
  readonly under?: string;
  /** In columns of their own, as many in every row. */
  readonly said: readonly string[];
  readonly page: number;
  readonly to: string;
}

/** Points of a pixel of the design, and pixels of margins. */
const U = 0.6;
const MARGIN = 54;
const TOP = 62;
const BOTTOM = 58;
/** Share of the width that heads beside the rows have. */
const HEADS = 0.34;
/** Pixels between columns. */
const BETWEEN = 18;
const BEFORE = 34;

/** A list under its heading, on as many pages as it takes; none where it has no rows. */
export function headedPages(heading: string, anchor: string, rows: readonly Row[], look: ListLook): readonly BookletPage[] {
  if (rows.length === 0) return [];
  const { width, height, setting } = look;
  const looks = looksAt(U);
  const inner = width - 2 * MARGIN * U;
  const title = textItem([looks.run(heading, 'serifBold', 43)], { width: inner, leading: 47 * U, role: 'H1' }, setting);
  const columns = columnsOf(rows, inner, looks, setting);
  const items = rows.map((row) => rowItem(row, inner, columns, anchor, looks, setting));
  const over = title.height + 20 * U;
  const room = (page: number) => height - (TOP + BOTTOM) * U - (page === 0 ? over : 0);
  return filledWell(items, room).map((column, page) => {
    let at = TOP * U + (page === 0 ? over : 0);
    const blocks: Block[] = page === 0 ? [...title.draw(MARGIN * U, TOP * U)] : [];
    for (const [i, item] of column.items.entries()) {
      if (i > 0) at += item.gap;
      blocks.push(...item.draw(MARGIN * U, at));
      at += item.height;
    }
    return { blocks, filled: column.height / room(page), ...(page === 0 ? { anchor } : {}) };
  });
}

/** Rows on as few pages as they take; where the last would be all but empty, about as many on each. */
function filledWell(items: readonly Item[], room: (page: number) => number): readonly FilledColumn[] {
  const columns = poured(items, room);
  const last = columns.at(-1);
  if (columns.length < 2 || !last || last.height >= room(columns.length - 1) * LEAST_FILLED) return columns;
  const used = columns.reduce((sum, column) => sum + column.height, 0);
  const whole = columns.reduce((sum, _, page) => sum + room(page), 0);
  for (let share = used / whole; share < 1; share += 0.02) {
    const evened = poured(items, (page) => room(page) * share);
    if (evened.length === columns.length) return evened;
  }
  return columns;
}

/** Widths of the columns at the right: as wide as the widest in each, the page last; and whether numbers stand before names. */
interface Columns {
  readonly said: readonly number[];
  readonly page: number;
  readonly before: number;
}

function columnsOf(rows: readonly Row[], inner: number, { run, u }: Looks, { set }: Setting): Columns {
  const count = Math.max(0, ...rows.map(({ said }) => said.length));
  const widest = (words: readonly string[], size: number) =>
    Math.max(0, ...words.map((one) => widthOfRuns([run(one, 'serifBold', size)], set)));
  return {
    said: Array.from({ length: count }, (_, i) =>
      widest(
        rows.map(({ said }) => said[i] ?? ''),
        16,
      ),
    ),
    // No booklet has more pages than four figures can say.
    page: widest(['0000'], 16),
    before: rows.some(({ head }) => head !== undefined) ? HEADS * inner : rows.some(({ before = '' }) => before !== '') ? BEFORE * u : 0,
  };
}

function rowItem(row: Row, inner: number, columns: Columns, list: string, looks: Looks, setting: Setting): Item {
  const { run, u } = looks;
  const { head = '', before = '', name, under = '', said, page, to } = row;
  const right = columns.said.reduce((sum, wide) => sum + wide + BETWEEN * u, 0) + columns.page + BETWEEN * u;
  const width = inner - right - columns.before;
  const named = textItem([run(name, 'serif', 19)], { width, leading: 25 * u, role: 'LI', list }, setting);
  const below =
    under === '' ? undefined : textItem([run(under, 'serifItalic', 15, 'ink2')], { width, leading: 20 * u, role: 'LI', list }, setting);
  const headed =
    head === ''
      ? undefined
      : textItem(
          [run(head, 'sansBold', 15.5, 'damson')],
          { width: columns.before - BETWEEN * u, leading: 25 * u, role: 'LI', list },
          setting,
        );
  const height = Math.max(named.height + (below?.height ?? 0), headed?.height ?? 0);
  return {
    height: height + 7 * u,
    gap: 3 * u,
    draw: (x, y) => {
      const left = x + columns.before;
      const cells = [...said, String(page)];
      const widths = [...columns.said, columns.page];
      let edge = x + inner - right + BETWEEN * u;
      const figures = cells.flatMap((words, i) => {
        const wide = widths[i] ?? 0;
        const [line] = brokenText(
          [run(words, i === cells.length - 1 ? 'serifBold' : 'serif', 16, i === cells.length - 1 ? 'damson' : 'ink')],
          inner,
          setting.set,
        ).lines;
        const marks = line ? marksOfLine(line, edge + wide - line.width, y + 18 * u) : [];
        edge += wide + BETWEEN * u;
        return marks;
      });
      const [number] = before === '' ? [] : brokenText([run(before, 'serifBold', 19, 'damson')], inner, setting.set).lines;
      const drawn = named.draw(left, y);
      return [
        { role: 'Ornament', marks: [ruled(x, y + height + 5 * u, inner, 'rule', 1 * u)] },
        ...(headed?.draw(x, y) ?? []),
        ...drawn.map((block, i) =>
          i === 0 ? { ...block, to, marks: [...(number ? marksOfLine(number, x, y + 18.5 * u) : []), ...block.marks, ...figures] } : block,
        ),
        ...(below?.draw(left, y + named.height) ?? []),
      ];
    },
  };
}

/** A page number, low at the outer edge. */
export function folioBlock(number: string, side: 'left' | 'right', { width, height, setting }: ListLook): Block {
  const { run, u } = looksAt(U);
  const [line] = brokenText([run(number, 'sansBold', 14, 'ink2')], width, setting.set).lines;
  const x = side === 'left' ? 18 * u : width - 18 * u - (line?.width ?? 0);
  return { role: 'Ornament', marks: line ? marksOfLine(line, x, height - 12 * u) : [] };
}
