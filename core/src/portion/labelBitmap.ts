/** The first bytes of a label for the printer. */
const SIGN = 'PLB1';
/** Bytes before the rows: sign, width, height, dots per inch, copies. */
const HEAD = 12;
/** Dots a side, at most. */
const MOST_DOTS = 4096;

/**
 * A label as a label printer takes it (docs/devices.md, "Label printer"): black and white, row by row, eight dots a byte, the leftmost
 * in the highest bit, each row from a whole byte; a dot that is set is black.
 */
export interface LabelBitmap {
  /** Dots. */
  readonly width: number;
  readonly height: number;
  readonly dotsPerInch: number;
  readonly copies: number;
  /** `height` rows of `ceil(width / 8)` bytes. */
  readonly rows: Uint8Array;
}

/** @throws RangeError for a size that no printer takes, or rows that do not fit it */
export function labelBytes({ width, height, dotsPerInch, copies, rows }: LabelBitmap): Uint8Array {
  const fault = sizeFault(width, height, dotsPerInch, copies);
  if (fault !== undefined) throw new RangeError(fault);
  if (rows.length !== rowBytes(width) * height)
    throw new RangeError(`${height} rows of ${width} dots are ${rowBytes(width) * height} bytes, not ${rows.length}`);
  const bytes = new Uint8Array(HEAD + rows.length);
  const view = new DataView(bytes.buffer);
  for (let i = 0; i < SIGN.length; i++) bytes[i] = SIGN.charCodeAt(i);
  view.setUint16(4, width);
  view.setUint16(6, height);
  view.setUint16(8, dotsPerInch);
  view.setUint16(10, copies);
  bytes.set(rows, HEAD);
  return bytes;
}

/** Reads what came to a printer: the label, or what is wrong with it. */
export function readLabelBytes(
  bytes: Uint8Array,
): { readonly ok: true; readonly label: LabelBitmap } | { readonly ok: false; readonly because: string } {
  if (bytes.length < HEAD) return { ok: false, because: `a label has at least ${HEAD} bytes, this has ${bytes.length}` };
  const sign = String.fromCharCode(...bytes.slice(0, SIGN.length));
  if (sign !== SIGN) return { ok: false, because: `a label begins with ${SIGN}` };
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const [width, height, dotsPerInch, copies] = [view.getUint16(4), view.getUint16(6), view.getUint16(8), view.getUint16(10)];
  const fault = sizeFault(width, height, dotsPerInch, copies);
  if (fault !== undefined) return { ok: false, because: fault };
  const wanted = HEAD + rowBytes(width) * height;
  if (bytes.length !== wanted) return { ok: false, because: `${width} by ${height} dots are ${wanted} bytes, this has ${bytes.length}` };
  return { ok: true, label: { width, height, dotsPerInch, copies, rows: bytes.slice(HEAD) } };
}

/** Bytes of one row. */
export function rowBytes(width: number): number {
  return Math.ceil(width / 8);
}

/** Black and white of a picture's red, green, blue and opacity: darker than the middle is black, what is clear is white. */
export function blackRows(pixels: Uint8ClampedArray, width: number, height: number): Uint8Array {
  const rows = new Uint8Array(rowBytes(width) * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const at = 4 * (y * width + x);
      const opacity = (pixels[at + 3] ?? 0) / 255;
      const light = 0.299 * (pixels[at] ?? 0) + 0.587 * (pixels[at + 1] ?? 0) + 0.114 * (pixels[at + 2] ?? 0);
      if (light * opacity + 255 * (1 - opacity) < 128) {
        const byte = y * rowBytes(width) + (x >> 3);
        rows[byte] = (rows[byte] ?? 0) | (0x80 >> (x & 7));
      }
    }
  return rows;
}

function sizeFault(width: number, height: number, dotsPerInch: number, copies: number): string | undefined {
  const sound = (count: number, most: number) => Number.isInteger(count) && count >= 1 && count <= most;
  if (!sound(width, MOST_DOTS) || !sound(height, MOST_DOTS)) return `a label is 1 to ${MOST_DOTS} dots a side, not ${width} by ${height}`;
  if (!sound(dotsPerInch, 1200)) return `a printer has 1 to 1200 dots per inch, not ${dotsPerInch}`;
  if (!sound(copies, 500)) return `1 to 500 copies, not ${copies}`;
  return undefined;
}
