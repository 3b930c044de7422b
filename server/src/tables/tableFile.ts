import { createWriteStream } from 'node:fs';
import { mkdir, rm } from 'node:fs/promises';
import { TextDecoder } from 'node:util';
import { dirname } from 'node:path';
import { Transform, type Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { FullError, RefusedFileError, TooLargeError } from '../http/problems.js';
import type { Encoding } from './table.dto.js';

/** Most that a table may weigh; the largest of whole countries are a tenth of it. */
export const MOST_BYTES = 100 * 1024 * 1024;
/** Bytes looked at to tell UTF-16 from what has no business in text. */
const LOOKED_AT = 4096;

/** Files that are no text, by how they begin, and what to do about it. */
const NOT_TEXT: readonly (readonly [bytes: readonly number[], what: string])[] = [
  [[0x50, 0x4b, 0x03, 0x04], 'a workbook or an archive; open it and save the sheet as CSV'],
  [[0xd0, 0xcf, 0x11, 0xe0], 'an old workbook; open it and save the sheet as CSV'],
  [[0x1f, 0x8b], 'packed; unpack it first'],
  [[0x25, 0x50, 0x44, 0x46], 'a PDF; a table as CSV is needed'],
];

/** Most that files brought by a kitchen may weigh together, megabytes, and those of all kitchens; whoever has a small disk says less. */
const MOST_OF_KITCHEN_MB = 400;
const MOST_OF_ALL_MB = 4_000;
/** And how many a kitchen may have. */
const MOST_HELD = 100;

/** Files that were brought: by a kitchen, and by all. */
export interface Held {
  readonly files: number;
  readonly bytes: number;
  readonly allBytes: number;
}

/** Room kept for a file from when it begins to come until it is told of. */
export interface Room {
  readonly kitchenId: string;
  readonly bytes: number;
  /** Whether what comes is kept for somebody to take in; what is read at once and taken away is not one of the many. */
  readonly kept: boolean;
}
const rooms = new Set<Room>();

/** Makes room free again: what it was for has come to be told of, or to nothing. */
export function giveUp(room: Room): void {
  rooms.delete(room);
}

/**
 * Keeps room for a file that is to come.
 *
 * @param stated what the sender says it weighs, if it does
 * @param held what was there before
 * @throws TooLargeError, FullError when all that was brought would weigh too much together, or be too many
 */
export async function roomFor(
  kitchenId: string,
  { stated, kept, held }: { readonly stated: number | undefined; readonly kept: boolean; readonly held: () => Promise<Held> },
): Promise<Room> {
  if (stated !== undefined && stated > MOST_BYTES) throw new TooLargeError(MOST_BYTES);
  const room: Room = { kitchenId, bytes: stated ?? MOST_BYTES, kept };
  // Before it is looked: those who come at once see each other.
  rooms.add(room);
  try {
    const before = [...rooms];
    const there = await held();
    // Who came to an end while it was looked counts too: whether what is there holds it already cannot be told.
    const coming = [...new Set([...before, ...rooms])];
    const own = coming.filter((one) => one.kitchenId === kitchenId);
    const most = megabytes('PORTIONA_UPLOADS_MB', MOST_OF_KITCHEN_MB);
    const files = there.files + own.filter((one) => one.kept).length;
    if ((kept && files > MOST_HELD) || there.bytes + weightOf(own) > most) throw new FullError(most);
    if (there.allBytes + weightOf(coming) > megabytes('PORTIONA_UPLOADS_TOTAL_MB', MOST_OF_ALL_MB)) throw new FullError(most, true);
    return room;
  } catch (error) {
    rooms.delete(room);
    throw error;
  }
}

function weightOf(coming: readonly Room[]): number {
  return coming.reduce((sum, { bytes }) => sum + bytes, 0);
}

function megabytes(name: string, usual: number): number {
  return Number(process.env[name] ?? usual) * 1024 * 1024;
}

/** What was found in a file while it was written. */
export interface ReceivedFile {
  readonly bytes: number;
  readonly encoding: Encoding;
}

/**
 * Writes a table's bytes to a place on this machine and finds out its encoding: by byte order mark, by the zeros of UTF-16, by whether all
 * of it is UTF-8; else Windows-1252. Nothing stays when it is refused, or breaks off.
 *
 * @throws TooLargeError, RefusedFileError
 */
export async function receiveTable(path: string, from: Readable): Promise<ReceivedFile> {
  const sniffer = new Sniffer();
  try {
    await mkdir(dirname(path), { recursive: true });
    // Left where it is when it is refused: the rest that still comes is read by whoever answers, so that the line goes on.
    await pipeline(from.iterator({ destroyOnReturn: false }), sniffer, createWriteStream(path));
    return { bytes: sniffer.bytes, encoding: sniffer.encoding() };
  } catch (error) {
    await rm(path, { force: true });
    throw error;
  }
}

class Sniffer extends Transform {
  bytes = 0;
  #head = Buffer.alloc(0);
  #wide: Encoding | undefined;
  #utf8: TextDecoder | undefined = new TextDecoder('utf-8', { fatal: true });

  override _transform(chunk: Buffer, _: BufferEncoding, done: (error?: Error | null, chunk?: Buffer) => void): void {
    try {
      this.#look(chunk);
      done(null, chunk);
    } catch (error) {
      done(error as Error);
    }
  }

  /** @throws RefusedFileError when there is nothing in it */
  encoding(): Encoding {
    if (this.bytes === 0) throw new RefusedFileError('the file is empty');
    if (this.#head.length < LOOKED_AT) this.#lookAtHead();
    if (this.#wide) return this.#wide;
    try {
      this.#utf8?.decode();
    } catch {
      this.#utf8 = undefined;
    }
    return this.#utf8 ? 'utf-8' : 'windows-1252';
  }

  #look(chunk: Buffer): void {
    this.bytes += chunk.length;
    if (this.bytes > MOST_BYTES) throw new TooLargeError(MOST_BYTES);
    if (this.#head.length < LOOKED_AT) {
      this.#head = Buffer.concat([this.#head, chunk.subarray(0, LOOKED_AT - this.#head.length)]);
      if (this.#head.length === LOOKED_AT) this.#lookAtHead();
    }
    try {
      this.#utf8?.decode(chunk, { stream: true });
    } catch {
      this.#utf8 = undefined;
    }
    if (this.#wide === undefined && this.#head.length === LOOKED_AT && chunk.includes(0)) throw zeros();
  }

  #lookAtHead(): void {
    const head = this.#head;
    for (const [bytes, what] of NOT_TEXT)
      if (bytes.every((byte, i) => head[i] === byte)) throw new RefusedFileError(`this file is ${what}`);
    if (head[0] === 0xff && head[1] === 0xfe) this.#wide = 'utf-16le';
    else if (head[0] === 0xfe && head[1] === 0xff) this.#wide = 'utf-16be';
    else if (head.includes(0)) this.#wide = wideBy(head);
  }
}

/** UTF-16 without a mark: Latin letters leave every second byte zero. */
function wideBy(head: Buffer): Encoding {
  const pairs = Math.floor(head.length / 2);
  let [even, odd] = [0, 0];
  for (let i = 0; i < pairs; i++) {
    if (head[2 * i] === 0) even++;
    if (head[2 * i + 1] === 0) odd++;
  }
  if (odd > pairs * 0.4 && even < pairs * 0.05) return 'utf-16le';
  if (even > pairs * 0.4 && odd < pairs * 0.05) return 'utf-16be';
  throw zeros();
}

function zeros(): RefusedFileError {
  return new RefusedFileError('this file has NUL bytes in it, which no table of text has; export it again as CSV');
}
