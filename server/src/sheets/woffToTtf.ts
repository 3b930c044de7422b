import { inflateSync } from 'node:zlib';

/** Length of a WOFF 1 header and of a table's entry in it; of an sfnt header and its entries. */
const WOFF_HEADER = 44;
const WOFF_ENTRY = 20;
const SFNT_HEADER = 12;
const SFNT_ENTRY = 16;

/**
 * Unpacks a WOFF 1 font to the sfnt inside it, so that the PDF writer need not inflate it for every card.
 *
 * @param woff the font file
 * @returns a TrueType font file
 */
export function woffToTtf(woff: Buffer): Buffer {
  const tables = woff.readUInt16BE(12);
  const powers = Math.floor(Math.log2(tables));
  const range = 16 * 2 ** powers;
  const head = Buffer.alloc(SFNT_HEADER + SFNT_ENTRY * tables);
  woff.copy(head, 0, 4, 8);
  head.writeUInt16BE(tables, 4);
  head.writeUInt16BE(range, 6);
  head.writeUInt16BE(powers, 8);
  head.writeUInt16BE(16 * tables - range, 10);
  const bodies: Buffer[] = [];
  let offset = head.length;
  for (let i = 0; i < tables; i++) {
    const entry = WOFF_HEADER + WOFF_ENTRY * i;
    const at = woff.readUInt32BE(entry + 4);
    const packed = woff.readUInt32BE(entry + 8);
    const length = woff.readUInt32BE(entry + 12);
    const stored = woff.subarray(at, at + packed);
    const body = packed < length ? inflateSync(stored) : stored;
    const written = SFNT_HEADER + SFNT_ENTRY * i;
    woff.copy(head, written, entry, entry + 4);
    woff.copy(head, written + 4, entry + 16, entry + 20);
    head.writeUInt32BE(offset, written + 8);
    head.writeUInt32BE(length, written + 12);
    const padding = (4 - (length % 4)) % 4;
    bodies.push(body, Buffer.alloc(padding));
    offset += length + padding;
  }
  return Buffer.concat([head, ...bodies]);
}
