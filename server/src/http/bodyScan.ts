/** Nesting beyond anything that is taken, told before it is parsed. */
const DEEPEST = 32;
/** A value for so few bytes is no document of anybody's: empty lists and objects, of which a few bytes make much memory. */
const BYTES_A_VALUE = 5;
/** Small bodies may be as dense as they like. */
const FREE_VALUES = 20_000;

const QUOTE = 0x22;
const BACKSLASH = 0x5c;
const COMMA = 0x2c;
const OPEN_LIST = 0x5b;
const OPEN_OBJECT = 0x7b;
const CLOSE_LIST = 0x5d;
const CLOSE_OBJECT = 0x7d;

/**
 * Goes over JSON as it comes in, byte by byte, before any of it is parsed: how deep it is nested and how many values it holds.
 * What it lets through takes memory in proportion to its bytes.
 */
export class BodyScan {
  #depth = 0;
  #deepest = 0;
  #values = 0;
  #bytes = 0;
  #inText = false;
  #escaped = false;

  add(chunk: Uint8Array): void {
    // Kept in locals while it goes: this is done for every byte of what may be tens of megabytes.
    let depth = this.#depth;
    let deepest = this.#deepest;
    let values = this.#values;
    let inText = this.#inText;
    let escaped = this.#escaped;
    for (const byte of chunk) {
      if (inText) {
        if (escaped) escaped = false;
        else if (byte === BACKSLASH) escaped = true;
        else if (byte === QUOTE) inText = false;
      } else if (byte === QUOTE) inText = true;
      else if (byte === COMMA) values++;
      else if (byte === OPEN_LIST || byte === OPEN_OBJECT) {
        values++;
        depth++;
        if (depth > deepest) deepest = depth;
      } else if (byte === CLOSE_LIST || byte === CLOSE_OBJECT) depth--;
    }
    this.#bytes += chunk.length;
    this.#depth = depth;
    this.#deepest = deepest;
    this.#values = values;
    this.#inText = inText;
    this.#escaped = escaped;
  }

  /** Why what came so far is not to be parsed; undefined where it may be. */
  get refusal(): string | undefined {
    if (this.#deepest > DEEPEST) return 'the body is nested too deep to be read';
    if (this.#values > FREE_VALUES && this.#values * BYTES_A_VALUE > this.#bytes) return 'the body holds too many values that say nothing';
    return undefined;
  }
}
