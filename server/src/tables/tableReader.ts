import { columnsOf, foodFromRow, GatheredFoods, placedMapping, type Keeping, type RowRead, type TableColumn } from '@portiona/core';
import { RefusedFileError } from '../http/problems.js';
import type { TableReadingDto } from './table.dto.js';
import { tableRows, type Letters } from './tableRows.js';

/** Rows that show what a table is: headings and the foods below them. */
const FIRST_ROWS = 100;
/** More names of figures than this are no figures. */
const MOST_FIGURES = 1000;

/** The first rows of a table. */
export async function firstRows(path: string, letters: Letters): Promise<string[][]> {
  const rows: string[][] = [];
  for await (const { cells } of tableRows(path, letters)) {
    rows.push([...cells]);
    if (rows.length >= FIRST_ROWS) break;
  }
  return rows;
}

/** What decides which columns a table has. */
export type Layout = Letters & Pick<TableReadingDto, 'headingLines' | 'figureRows'>;

/**
 * The first rows of a table as it is laid out, headings above: of one with a row for each figure, the first foods gathered.
 *
 * @throws RefusedFileError, RangeError where a column of the layout is not there
 */
export async function firstFoods(
  path: string,
  layout: Layout,
): Promise<{ readonly rows: readonly (readonly string[])[]; readonly headingLines: number }> {
  if (!layout.figureRows) return { rows: await firstRows(path, layout), headingLines: layout.headingLines };
  const gathered = await gather(path, layout, { foods: FIRST_ROWS });
  return { rows: [gathered.headings, ...gathered.rows.map(({ cells }) => cells)], headingLines: 1 };
}

/** Rows gone through to tell in which units the figures are: what everybody knows may stand far down. */
const MOST_SAMPLED = 20_000;
/** Milliseconds that rows are gone through without letting anyone else in. */
const LONGEST_HOLD = 8;

/**
 * Many rows of a table as it is laid out, headings left out.
 *
 * @throws as firstFoods
 */
export async function* sampleRows(path: string, layout: Layout): AsyncGenerator<readonly string[]> {
  if (layout.figureRows) {
    for (const { cells } of (await gather(path, layout, { foods: FIRST_ROWS * 10 })).rows) yield cells;
    return;
  }
  let since = performance.now();
  for await (const { cells, number } of tableRows(path, layout)) {
    if (number > layout.headingLines) yield cells;
    if (number > MOST_SAMPLED) return;
    if (performance.now() - since > LONGEST_HOLD) {
      await new Promise((resolve) => setImmediate(resolve));
      since = performance.now();
    }
  }
}

/** The columns of a table as it is laid out. @throws as firstFoods */
export async function columnsOfTable(path: string, layout: Layout): Promise<TableColumn[]> {
  const { rows, headingLines } = await firstFoods(path, layout);
  return columnsOf(rows, headingLines);
}

/** A row of a table, read by a mapping. */
export interface NumberedRead extends RowRead {
  readonly number: number;
}

/**
 * Foods of a table, row by row. A code that came before is left out the second time; empty rows are passed over. Where each
 * figure has a row, the whole table is gone through first, and only what is mapped of it kept.
 *
 * @throws RefusedFileError
 */
export async function* tableFoods(path: string, reading: TableReadingDto, onBytes?: (bytes: number) => void): AsyncGenerator<NumberedRead> {
  const headings = (await columnsOfTable(path, reading)).map(({ heading }) => heading);
  const placed = placedMapping(reading, headings);
  const codeHeading = placed.places.find(({ target }) => target === 'code')?.heading ?? 'name';
  const codes = new Set<string>();
  for await (const { cells, number, twice = [] } of rowsOfFoods(path, reading, onBytes)) {
    if (cells.every((cell) => cell.trim() === '')) continue;
    const read = foodFromRow(cells, placed);
    if (read.food && codes.has(read.food.code)) {
      const message = `the code “${read.food.code}” came before: the row is left out`;
      yield { number, food: undefined, faults: [{ heading: codeHeading, message }] };
      continue;
    }
    if (read.food) codes.add(read.food.code);
    const faults = twice.map((heading) => ({ heading, message: 'came more than once for this food: the first is taken' }));
    yield { number, food: read.food, faults: [...read.faults, ...faults] };
  }
}

interface FoodCells {
  readonly cells: readonly string[];
  readonly number: number;
  readonly twice?: readonly string[];
}

async function* rowsOfFoods(path: string, reading: TableReadingDto, onBytes?: (bytes: number) => void): AsyncGenerator<FoodCells> {
  if (!reading.figureRows) {
    for await (const row of tableRows(path, reading, onBytes)) if (row.number > reading.headingLines) yield row;
    return;
  }
  let bytes = 0;
  const gathered = await gather(path, reading, { headings: new Set(reading.columns.map(({ heading }) => heading)) }, (read) => {
    bytes = read;
    // Going through the file is half the way.
    onBytes?.(read / 2);
  });
  const { rows } = gathered;
  for (const [i, row] of rows.entries()) {
    onBytes?.(bytes / 2 + (bytes / 2) * ((i + 1) / rows.length));
    yield row;
  }
}

async function gather(path: string, layout: Layout, keeping: Keeping, onBytes?: (bytes: number) => void): Promise<GatheredFoods> {
  const { headingLines, figureRows } = layout;
  if (!figureRows) throw new RangeError('this table has a row for each food');
  const above: (readonly string[])[] = [];
  let gathered: GatheredFoods | undefined;
  for await (const { cells, number } of tableRows(path, layout, onBytes)) {
    if (number <= headingLines) above.push(cells);
    else {
      gathered ??= new GatheredFoods(headingsOf(above, cells), figureRows, keeping);
      gathered.add(cells, number);
      if (gathered.figures > MOST_FIGURES)
        throw new RefusedFileError(`more than ${MOST_FIGURES} names in “${figureRows.figure}”; is it the column that names the figures?`);
    }
  }
  return gathered ?? new GatheredFoods(headingsOf(above, []), figureRows, keeping);
}

function headingsOf(above: readonly (readonly string[])[], first: readonly string[]): string[] {
  return columnsOf([...above, first], above.length).map(({ heading }) => heading);
}
