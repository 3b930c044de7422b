/** Kinds of pieces that make the picture itself: tables, frames, restart intervals, scans. */
const OF_THE_PICTURE: ReadonlySet<number> = new Set([0xc0, 0xc1, 0xc2, 0xc4, 0xdb, 0xdd, 0xda]);
const BEGIN = 0xd8;
const END = 0xd9;
const SCAN = 0xda;
const JFIF = 0xe0;
/** A JFIF head without a thumbnail: its length, and where the thumbnail's sides stand in it. */
const JFIF_LENGTH = 16;
/** A colour profile stands in pieces of this kind, with these letters before it (ICC.1, annex B.4). */
const PROFILE = 0xe2;
const PROFILE_LETTERS = 'ICC_PROFILE\0';

/**
 * A JPEG without the colour profile that browsers write into it: what they draw is in the colours that are taken for granted without one.
 * What else it holds stays.
 */
export function withoutProfile(bytes: Uint8Array): Uint8Array {
  const kept: Uint8Array[] = [bytes.subarray(0, 2)];
  let at = 2;
  while (at + 3 < bytes.length && bytes[at] === 0xff && bytes[at + 1] !== SCAN) {
    const next = at + 2 + (((bytes[at + 2] ?? 0) << 8) | (bytes[at + 3] ?? 0));
    if (bytes[at + 1] !== PROFILE || !beginsWith(bytes, at + 4, PROFILE_LETTERS)) kept.push(bytes.subarray(at, next));
    at = next;
  }
  return Buffer.concat([...kept, bytes.subarray(at)]);
}

/**
 * Whether a JPEG holds the picture and nothing else (ITU T.81, annex B): no place, no camera, no remark, no smaller picture, nothing
 * before or behind it.
 */
export function isPlainJpeg(bytes: Uint8Array): boolean {
  if (bytes[0] !== 0xff || bytes[1] !== BEGIN) return false;
  let at = 2;
  while (at + 3 < bytes.length) {
    if (bytes[at] !== 0xff) return false;
    const kind = bytes[at + 1] ?? 0;
    const length = ((bytes[at + 2] ?? 0) << 8) | (bytes[at + 3] ?? 0);
    if (kind === JFIF ? !isPlainHead(bytes, at, length) : !OF_THE_PICTURE.has(kind)) return false;
    at += 2 + length;
    if (kind === SCAN) at = endOfScan(bytes, at);
    if (bytes[at] === 0xff && bytes[at + 1] === END) return at + 2 === bytes.length;
  }
  return false;
}

function isPlainHead(bytes: Uint8Array, at: number, length: number): boolean {
  return (
    at === 2 &&
    beginsWith(bytes, at + 4, 'JFIF\0') &&
    length === JFIF_LENGTH &&
    bytes[at + JFIF_LENGTH] === 0 &&
    bytes[at + JFIF_LENGTH + 1] === 0
  );
}

/** Where the next piece begins after what a scan holds: 0xff stands in it only before 0 and the marks of its own restarts. */
function endOfScan(bytes: Uint8Array, from: number): number {
  for (let at = bytes.indexOf(0xff, from); at >= 0; at = bytes.indexOf(0xff, at + 1)) {
    const next = bytes[at + 1] ?? 0;
    if (next !== 0 && next !== 0xff && (next < 0xd0 || next > 0xd7)) return at;
  }
  return bytes.length;
}

function beginsWith(bytes: Uint8Array, at: number, letters: string): boolean {
  return [...letters].every((letter, i) => bytes[at + i] === letter.charCodeAt(0));
}
