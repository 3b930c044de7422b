import { columnsOf, foodFromRow, placedMapping, type RowRead, type TableColumn } from '@portiona/core';
import type { TableReadingDto } from './table.dto.js';
import { tableRows, type Letters } from './tableRows.js';

/** Rows that show what a table is: headings and the foods below them. */
const FIRST_ROWS = 100;

/** The first rows of a table. */
export async function firstRows(path: string, letters: Letters): Promise<string[][]> {
  const rows: string[][] = [];
  for await (const { cells } of tableRows(path, letters)) {
    rows.push([...cells]);
    if (rows.length >= FIRST_ROWS) break;
  }
  return rows;
}

/** The columns of a table as it is read. */
export async function columnsOfTable(path: string, reading: Letters & { readonly headingLines: number }): Promise<TableColumn[]> {
  return columnsOf(await firstRows(path, reading), reading.headingLines);
}

/** A row of a table, read by a mapping. */
export interface NumberedRead extends RowRead {
  readonly number: number;
}

/**
 * Foods of a table, row by row. A code that came before is left out the second time; empty rows are passed over.
 *
 * @throws RefusedFileError
 */
export async function* tableFoods(path: string, reading: TableReadingDto, onBytes?: (bytes: number) => void): AsyncGenerator<NumberedRead> {
  const headings = (await columnsOfTable(path, reading)).map(({ heading }) => heading);
  const placed = placedMapping(reading, headings);
  const codeHeading = placed.places.find(({ target }) => target === 'code')?.heading ?? 'name';
  const codes = new Set<string>();
  for await (const { cells, number } of tableRows(path, reading, onBytes)) {
    if (number <= reading.headingLines || cells.every((cell) => cell.trim() === '')) continue;
    const read = foodFromRow(cells, placed);
    if (read.food && codes.has(read.food.code)) {
      const message = `the code “${read.food.code}” came before: the row is left out`;
      yield { number, food: undefined, faults: [{ heading: codeHeading, message }] };
      continue;
    }
    if (read.food) codes.add(read.food.code);
    yield { number, ...read };
  }
}
