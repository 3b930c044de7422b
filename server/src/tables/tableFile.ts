import { createWriteStream } from 'node:fs';
import { mkdir, readdir, rename, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { TextDecoder } from 'node:util';
import { join } from 'node:path';
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

/** Most that all files brought may weigh together, megabytes; whoever has a small disk says less. */
const MOST_HELD_MB = 400;
/** And how many there may be. */
const MOST_HELD = 100;
/** Days a file is kept that was brought and never taken in. */
const KEPT_DAYS = 7;
const WHOLE = '.table';
const COMING = '.part';

function folder(): string {
  return join(process.env.PORTIONA_HOME ?? join(tmpdir(), 'portiona'), 'tables');
}

/** Where a table's file is kept until it is taken in. */
export function tablePath(id: string): string {
  return join(folder(), `${id}${WHOLE}`);
}

/**
 * Takes away what nobody will ask for: uploads that broke off, files without a table, and those that nobody has taken in for long.
 *
 * @param known ids of the tables that were brought and not taken in
 */
export async function forgetLostTables(known: ReadonlySet<string>, now = Date.now()): Promise<void> {
  for (const name of await namesHeld()) {
    const { mtimeMs } = await stat(join(folder(), name)).catch(() => ({ mtimeMs: now }));
    const wanted = name.endsWith(WHOLE) && known.has(name.slice(0, -WHOLE.length)) && now - mtimeMs <= KEPT_DAYS * 86_400_000;
    if (!wanted) await rm(join(folder(), name), { force: true });
  }
}

async function namesHeld(): Promise<string[]> {
  return (await readdir(folder()).catch(() => [])).filter((name) => name.endsWith(WHOLE) || name.endsWith(COMING));
}

/** Room kept for a file: until it is given up, or until a look at the folder that was begun after it arrived has seen it. */
interface Room {
  readonly bytes: number;
  /** Whether what comes is kept for somebody to take in; what is read at once and taken away is not one of the many. */
  readonly kept: boolean;
  arrived: number | undefined;
}
const rooms = new Set<Room>();

/** What lay in the folder when it was looked at last; many who ask at once look once. */
let look: { readonly begun: number; readonly held: Promise<{ readonly files: number; readonly bytes: number }> } | undefined;
/** Milliseconds that a look holds. */
const LOOK_HOLDS = 1_000;

async function held(): Promise<{ readonly files: number; readonly bytes: number }> {
  const now = performance.now();
  if (!look || now - look.begun > LOOK_HOLDS) look = { begun: now, held: weighed() };
  const { begun, held: seen } = look;
  const found = await seen;
  for (const room of rooms) if (room.arrived !== undefined && room.arrived < begun) rooms.delete(room);
  return found;
}

async function weighed(): Promise<{ readonly files: number; readonly bytes: number }> {
  let bytes = 0;
  const names = (await namesHeld()).filter((name) => name.endsWith(WHOLE));
  for (const name of names)
    bytes += await stat(join(folder(), name)).then(
      ({ size }) => size,
      () => 0,
    );
  return { files: names.length, bytes };
}

/** Takes a table's file away, and makes its room free at once. */
export async function removeTable(id: string): Promise<void> {
  await rm(tablePath(id), { force: true });
  look = undefined;
}

/**
 * Keeps room for a file that is to come.
 *
 * @param bytes that it will weigh at most
 * @param kept whether it is one of the many that are kept
 * @throws FullError when all that was brought would weigh too much together, or be too many
 */
async function roomFor(bytes: number, kept: boolean): Promise<Room> {
  const room: Room = { bytes, kept, arrived: undefined };
  rooms.add(room);
  const most = Number(process.env.PORTIONA_UPLOADS_MB ?? MOST_HELD_MB) * 1024 * 1024;
  const there = await held();
  const sum = [...rooms].reduce((total, one) => total + one.bytes, there.bytes);
  const files = there.files + [...rooms].filter((one) => one.kept).length;
  if ((kept && files > MOST_HELD) || sum > most) {
    rooms.delete(room);
    throw new FullError(most);
  }
  return room;
}

/** What was found in a file while it was written. */
export interface ReceivedFile {
  readonly bytes: number;
  readonly encoding: Encoding;
}

/**
 * Writes a table's bytes to its place and finds out its encoding: by byte order mark, by the zeros of UTF-16, by whether all of it
 * is UTF-8; else Windows-1252. Nothing stays when it is refused, or breaks off.
 *
 * @param stated what the sender says it weighs, if it does
 * @param kept whether it is kept until somebody takes it in, and not read at once and taken away
 * @throws TooLargeError, FullError, RefusedFileError
 */
export async function receiveTable(
  id: string,
  from: Readable,
  { stated, kept }: { readonly stated: number | undefined; readonly kept: boolean },
): Promise<ReceivedFile> {
  if (stated !== undefined && stated > MOST_BYTES) throw new TooLargeError(MOST_BYTES);
  const room = await roomFor(stated ?? MOST_BYTES, kept);
  const path = tablePath(id);
  const coming = join(folder(), `${id}${COMING}`);
  const sniffer = new Sniffer();
  try {
    await mkdir(folder(), { recursive: true });
    await pipeline(from, sniffer, createWriteStream(coming));
    const received = { bytes: sniffer.bytes, encoding: sniffer.encoding() };
    await rename(coming, path);
    room.arrived = performance.now();
    return received;
  } catch (error) {
    await rm(coming, { force: true });
    rooms.delete(room);
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
