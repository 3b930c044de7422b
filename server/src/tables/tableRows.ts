import { createReadStream } from 'node:fs';
import { basename } from 'node:path';
import { Transform } from 'node:stream';
import { TextDecoder } from 'node:util';
import { CsvError, parse } from 'csv-parse';
import { NotFoundError, RefusedFileError } from '../http/problems.js';
import type { Encoding } from './table.dto.js';

/** Read at once: rows of more would keep other requests waiting until they are gone through. */
const CHUNK_BYTES = 8 * 1024;
const MOST_COLUMNS = 1000;
/** A row longer than this is a quote left open, or a bomb. */
const LONGEST_ROW = 256 * 1024;
const MOST_ROWS = 500_000;
/** A table with a row for each figure has so many times the rows. */
const MOST_FIGURE_ROWS = 4_000_000;

/** How the bytes of a table become rows of cells. */
export interface Letters {
  readonly encoding: Encoding;
  readonly delimiter: string;
  readonly quote: string;
  /** Set where each figure of a food has a row of its own. */
  readonly figureRows?: unknown;
}

/** Rows of a table, one after another, with how much of the file they came from. */
export interface ReadRow {
  readonly cells: readonly string[];
  /** From 1, as a spreadsheet counts. */
  readonly number: number;
}

/**
 * Reads a table row by row; never more of it in memory than a few rows.
 *
 * @param onBytes told how many bytes were read so far
 * @throws RefusedFileError where it is no table: too wide, a row without end, zeros
 */
export async function* tableRows(
  path: string,
  { encoding, delimiter, quote, figureRows }: Letters,
  onBytes?: (bytes: number) => void,
): AsyncGenerator<ReadRow> {
  const file = createReadStream(path, { highWaterMark: CHUNK_BYTES });
  const letters = new Decoding(encoding, onBytes);
  const rows = parse({
    delimiter,
    quote,
    bom: true,
    relax_quotes: true,
    relax_column_count: true,
    skip_empty_lines: false,
    max_record_size: LONGEST_ROW,
    record_delimiter: ['\r\n', '\n', '\r'],
  });
  file.on('error', (error) => letters.destroy(error));
  letters.on('error', (error) => rows.destroy(error));
  file.pipe(letters).pipe(rows);
  const most = figureRows === undefined ? MOST_ROWS : MOST_FIGURE_ROWS;
  let number = 0;
  try {
    for await (const cells of rows as AsyncIterable<string[]>) {
      number++;
      if (cells.length > MOST_COLUMNS)
        throw new RefusedFileError(`row ${number} has ${cells.length} columns; a food table has at most ${MOST_COLUMNS}`);
      if (number > most) throw new RefusedFileError(`more than ${most} rows; take it in in parts`);
      yield { cells, number };
    }
  } catch (error) {
    throw refusal(error, number + 1, path);
  } finally {
    file.destroy();
    letters.destroy();
    rows.destroy();
  }
}

/** The first letters of a table. */
export async function firstLetters(path: string, encoding: Encoding, bytes = 256 * 1024): Promise<string> {
  const decoder = new TextDecoder(encoding);
  let text = '';
  try {
    for await (const chunk of createReadStream(path, { end: bytes - 1 }) as AsyncIterable<Buffer>)
      text += decoder.decode(chunk, { stream: true });
    return text;
  } catch (error) {
    throw refusal(error, 1, path);
  }
}

/** Whether a file is not there (any more): somebody forgot the table while another looked at it. */
function isGone(error: unknown): boolean {
  return typeof error === 'object' && error !== null && 'code' in error && error.code === 'ENOENT';
}

class Decoding extends Transform {
  readonly #decoder: TextDecoder;
  #bytes = 0;

  constructor(
    encoding: Encoding,
    readonly onBytes: ((bytes: number) => void) | undefined,
  ) {
    super({ readableObjectMode: false });
    this.#decoder = new TextDecoder(encoding);
  }

  override _transform(chunk: Buffer, _: BufferEncoding, done: (error?: Error | null, chunk?: string) => void): void {
    this.#bytes += chunk.length;
    this.onBytes?.(this.#bytes);
    const text = this.#decoder.decode(chunk, { stream: true });
    if (text.includes('\0'))
      done(new RefusedFileError('this file has NUL letters in it, which no table of text has; export it again as CSV'));
    else done(null, text);
  }

  override _flush(done: (error?: Error | null, chunk?: string) => void): void {
    done(null, this.#decoder.decode());
  }
}

function refusal(error: unknown, row: number, path: string): unknown {
  if (isGone(error)) return new NotFoundError('file of the table', basename(path, '.table'));
  if (!(error instanceof CsvError)) return error;
  if (error.code === 'CSV_MAX_RECORD_SIZE')
    return new RefusedFileError(`row ${row} has no end: a quote was left open, or the delimiter or line ends are others than thought`);
  if (error.code === 'CSV_QUOTE_NOT_CLOSED') return new RefusedFileError('a quote is opened and never closed; is the quote mark another?');
  return new RefusedFileError(`row ${row} cannot be read: ${error.message}`);
}
