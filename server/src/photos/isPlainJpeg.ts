/** Kinds of pieces that make the picture itself: tables, frames, restart intervals, scans. */
const OF_THE_PICTURE: ReadonlySet<number> = new Set([0xc0, 0xc1, 0xc2, 0xc4, 0xdb, 0xdd, 0xda]);
const BEGIN = 0xd8;
const END = 0xd9;
const SCAN = 0xda;
const JFIF = 0xe0;
/** A JFIF head without a thumbnail: its length, and where the thumbnail's sides stand in it. */
const JFIF_LENGTH = 16;

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
  const isJfif = [0x4a, 0x46, 0x49, 0x46, 0].every((letter, i) => bytes[at + 4 + i] === letter);
  return at === 2 && isJfif && length === JFIF_LENGTH && bytes[at + JFIF_LENGTH] === 0 && bytes[at + JFIF_LENGTH + 1] === 0;
}

/** Where the next piece begins after what a scan holds: 0xff stands in it only before 0 and the marks of its own restarts. */
function endOfScan(bytes: Uint8Array, from: number): number {
  for (let at = bytes.indexOf(0xff, from); at >= 0; at = bytes.indexOf(0xff, at + 1)) {
    const next = bytes[at + 1] ?? 0;
    if (next !== 0 && next !== 0xff && (next < 0xd0 || next > 0xd7)) return at;
  }
  return bytes.length;
}
