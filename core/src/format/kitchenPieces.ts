/** A piece of a kitchen file: what stands at one of its keys, or one member of the list that stands there. */
export interface KitchenPiece {
  readonly key: string;
  /** Which member of its list, from 0; undefined where the key holds no list of entries. */
  readonly index: number | undefined;
  /** JSON of it alone. */
  readonly text: string;
}

/** Makes text of UTF-8; where this runs decides how. */
export type Decode = (bytes: Uint8Array) => string;

/** A file that is no JSON, and at which byte it stops being any. */
export class NoJsonError extends Error {
  constructor(readonly at: number) {
    super(`is not JSON: something is wrong at byte ${at + 1}`);
    this.name = 'NoJsonError';
  }
}

/** A key that a file holds twice. */
export class TwiceError extends Error {
  constructor(readonly key: string) {
    super('stands in the file twice; take one out');
    this.name = 'TwiceError';
  }
}

const QUOTE = 0x22;
const COMMA = 0x2c;
const COLON = 0x3a;
const BACKSLASH = 0x5c;
const OPEN_LIST = 0x5b;
const CLOSE_LIST = 0x5d;
const OPEN_OBJECT = 0x7b;
const CLOSE_OBJECT = 0x7d;

/**
 * Takes a kitchen file apart without parsing it whole: entry by entry, in the order they stand. Who has seen enough stops, and
 * no more memory is taken than one entry needs.
 *
 * @param bytes JSON as UTF-8, with or without a byte order mark
 * @param decode makes text of UTF-8
 * @param isList whether a key's list is taken apart
 * @throws NoJsonError where it is none, TwiceError where a key stands there twice; what is wrong within a piece is found when the piece is parsed
 */
export function* kitchenPieces(bytes: Uint8Array, decode: Decode, isList: (key: string) => boolean): Generator<KitchenPiece> {
  const reader = new Reader(bytes, decode);
  const seen = new Set<string>();
  reader.expect(OPEN_OBJECT);
  if (!reader.skip(CLOSE_OBJECT))
    do {
      const key = reader.key();
      // Which of the two would be meant?
      if (seen.has(key)) throw new TwiceError(key);
      seen.add(key);
      reader.expect(COLON);
      if (isList(key) && reader.skip(OPEN_LIST)) yield* members(reader, key);
      else yield { key, index: undefined, text: reader.value() };
    } while (reader.more(CLOSE_OBJECT));
  reader.end();
}

function* members(reader: Reader, key: string): Generator<KitchenPiece> {
  if (reader.skip(CLOSE_LIST)) return;
  let index = 0;
  do yield { key, index: index++, text: reader.value() };
  while (reader.more(CLOSE_LIST));
}

class Reader {
  #at: number;

  constructor(
    private readonly bytes: Uint8Array,
    private readonly decode: Decode,
  ) {
    const marked = bytes[0] === 0xef && bytes[1] === 0xbb && bytes[2] === 0xbf;
    this.#at = marked ? 3 : 0;
  }

  expect(byte: number): void {
    if (!this.skip(byte)) throw new NoJsonError(this.#at);
  }

  skip(byte: number): boolean {
    this.#space();
    if (this.bytes[this.#at] !== byte) return false;
    this.#at++;
    return true;
  }

  /** Whether another member follows; otherwise the list or object is closed. */
  more(close: number): boolean {
    if (this.skip(COMMA)) return true;
    this.expect(close);
    return false;
  }

  key(): string {
    this.#space();
    const from = this.#at;
    if (this.bytes[from] !== QUOTE) throw new NoJsonError(from);
    this.#text();
    try {
      return JSON.parse(this.#slice(from)) as string;
    } catch {
      throw new NoJsonError(from);
    }
  }

  /** The next value, whatever it is, as text. */
  value(): string {
    this.#space();
    const from = this.#at;
    let depth = 0;
    for (;;) {
      const byte = this.bytes[this.#at];
      if (byte === undefined) throw new NoJsonError(this.#at);
      if (byte === QUOTE) {
        this.#text();
        continue;
      }
      if (byte === OPEN_LIST || byte === OPEN_OBJECT) depth++;
      else if (depth === 0 && (byte === COMMA || byte === CLOSE_LIST || byte === CLOSE_OBJECT)) break;
      else if (byte === CLOSE_LIST || byte === CLOSE_OBJECT) depth--;
      this.#at++;
    }
    if (this.#at === from) throw new NoJsonError(from);
    return this.#slice(from);
  }

  end(): void {
    this.#space();
    if (this.#at < this.bytes.length) throw new NoJsonError(this.#at);
  }

  #slice(from: number): string {
    return this.decode(this.bytes.subarray(from, this.#at));
  }

  #text(): void {
    for (this.#at++; this.bytes[this.#at] !== QUOTE; this.#at++) {
      if (this.#at >= this.bytes.length) throw new NoJsonError(this.#at);
      if (this.bytes[this.#at] === BACKSLASH) this.#at++;
    }
    this.#at++;
  }

  #space(): void {
    for (let byte = this.bytes[this.#at]; byte === 0x20 || byte === 0x0a || byte === 0x0d || byte === 0x09; byte = this.bytes[this.#at])
      this.#at++;
  }
}
