import type { LabelSheet } from '../recipe/index.js';

const A4 = { width: 210, height: 297 };
const LETTER = { width: 215.9, height: 279.4 };

/** A grid that fills the page but for its margins, or stands in the middle of it. */
function grid(
  name: string,
  page: LabelSheet['page'],
  [columns, rows]: readonly [number, number],
  cell: LabelSheet['cell'],
  gap: LabelSheet['gap'] = { across: 0, down: 0 },
): LabelSheet {
  const round = (length: number) => Math.round(length * 100) / 100;
  const margin = {
    left: round((page.width - columns * cell.width - (columns - 1) * gap.across) / 2),
    top: round((page.height - rows * cell.height - (rows - 1) * gap.down) / 2),
  };
  return { name, page, columns, rows, cell, margin, gap };
}

/** Sheets of labels in common grids, by what is on them; millimetres. */
export const LABEL_SHEETS: readonly LabelSheet[] = [
  grid('A4, 2 x 4 of 99 x 68 mm', A4, [2, 4], { width: 99.1, height: 67.7 }, { across: 2.5, down: 0 }),
  grid('A4, 2 x 5 of 99 x 57 mm', A4, [2, 5], { width: 99.1, height: 57 }, { across: 2.5, down: 0 }),
  grid('A4, 2 x 7 of 99 x 38 mm', A4, [2, 7], { width: 99.1, height: 38.1 }, { across: 2.5, down: 0 }),
  grid('A4, 3 x 7 of 64 x 38 mm', A4, [3, 7], { width: 63.5, height: 38.1 }, { across: 2.5, down: 0 }),
  grid('A4, 3 x 8 of 70 x 36 mm', A4, [3, 8], { width: 70, height: 36 }),
  grid('Letter, 2 x 5 of 4 x 2 in', LETTER, [2, 5], { width: 101.6, height: 50.8 }, { across: 4.8, down: 0 }),
  grid('Letter, 2 x 3 of 4 x 3.33 in', LETTER, [2, 3], { width: 101.6, height: 84.6 }, { across: 4.8, down: 0 }),
  grid('Letter, 3 x 10 of 2.63 x 1 in', LETTER, [3, 10], { width: 66.7, height: 25.4 }, { across: 3.2, down: 0 }),
];

/** A single label of a size as a sheet of one cell, for a printer that has a roll. */
export function singleLabel(width: number, height: number): LabelSheet {
  const size = { width, height };
  return {
    name: `single, ${width} x ${height} mm`,
    page: size,
    columns: 1,
    rows: 1,
    cell: size,
    margin: { left: 0, top: 0 },
    gap: { across: 0, down: 0 },
  };
}

/** Where a label goes. */
export interface LabelPlace {
  /** From 0. */
  readonly page: number;
  /** Millimetres from the page's edges. */
  readonly left: number;
  readonly top: number;
}

/**
 * Where so many labels go, row by row, beginning at a cell; the next pages from their first.
 *
 * @param start first cell used, from 1
 * @throws RangeError for a cell that the sheet does not have
 */
export function labelPlaces({ columns, rows, cell, margin, gap }: LabelSheet, count: number, start = 1): LabelPlace[] {
  const cells = columns * rows;
  if (!Number.isInteger(start) || start < 1 || start > cells) throw new RangeError(`the sheet has cells 1 to ${cells}, not ${start}`);
  return Array.from({ length: count }, (_, i) => {
    const at = start - 1 + i;
    const on = at % cells;
    return {
      page: Math.floor(at / cells),
      left: margin.left + (on % columns) * (cell.width + gap.across),
      top: margin.top + Math.floor(on / columns) * (cell.height + gap.down),
    };
  });
}

/** What is wrong with a sheet: cells that reach over its edge; undefined where nothing is. */
export function sheetFault({ page, columns, rows, cell, margin, gap }: LabelSheet): string | undefined {
  const width = margin.left + columns * cell.width + (columns - 1) * gap.across;
  const height = margin.top + rows * cell.height + (rows - 1) * gap.down;
  const over = (length: number, most: number) => length > most + 0.05;
  if (over(width, page.width)) return `${columns} columns take ${width.toFixed(1)} mm, the page has ${page.width}`;
  if (over(height, page.height)) return `${rows} rows take ${height.toFixed(1)} mm, the page has ${page.height}`;
  return undefined;
}
