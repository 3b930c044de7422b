/** As browsers and Node.js have it. */
declare class TextDecoder {
  constructor(encoding: string, options?: { readonly fatal: boolean });
  decode(bytes: Uint8Array): string;
}

/** Byte order marks, and what they say. */
const MARKS: readonly (readonly [bytes: readonly number[], encoding: string])[] = [
  [[0xef, 0xbb, 0xbf], 'utf-8'],
  [[0xff, 0xfe], 'utf-16le'],
  [[0xfe, 0xff], 'utf-16be'],
];
/** Letters of a page's beginning in which it may say its encoding (as browsers do). */
const HEAD = 2048;

/**
 * The text of a page or note, whatever letters it is saved in: by its byte order mark, by what its server said, by what the page
 * says itself, else by its bytes: UTF-8 where they are that, UTF-16 where every other one is none, else Windows' western letters.
 *
 * @param type the content type its server gave, where that is known
 */
export function pageText(bytes: Uint8Array, type = ''): string {
  const marked = MARKS.find(([mark]) => mark.every((byte, i) => bytes[i] === byte))?.[1];
  const head = new TextDecoder('windows-1252').decode(bytes.subarray(0, HEAD));
  const said =
    charsetOf(type) ??
    /<meta[^>]{0,200}charset ?= ?["']? ?([\w-]{2,30})/i.exec(head)?.[1] ??
    /^<\?xml[^>]{0,100}encoding=["']([\w-]{2,30})/i.exec(head)?.[1];
  if (marked !== undefined) return decoded(bytes, marked);
  const wide = wideness(bytes);
  if (wide !== undefined) return decoded(bytes, wide);
  // What is sound UTF-8 beyond ASCII is that, whatever is said of it.
  const utf8 = isUtf8(bytes);
  if (utf8 && (said === undefined || bytes.some((byte) => byte > 0x7f))) return decoded(bytes, 'utf-8');
  return decoded(bytes, said ?? 'windows-1252');
}

function charsetOf(type: string): string | undefined {
  return /charset\s*=\s*"?([\w-]{2,30})/i.exec(type)?.[1];
}

function decoded(bytes: Uint8Array, encoding: string): string {
  try {
    return western(new TextDecoder(encoding).decode(bytes));
  } catch {
    // An encoding nobody knows: what western pages are in.
    return western(new TextDecoder('windows-1252').decode(bytes));
  }
}

/** From 0x80 on: what Windows has where Latin-1 has controls. Some decoders leave these, and no page means them. */
const WESTERN = [...'€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ'];

function western(text: string): string {
  return text.replace(/[\u0080-\u009f]/g, (letter) => WESTERN[letter.charCodeAt(0) - 0x80] ?? letter);
}

function isUtf8(bytes: Uint8Array): boolean {
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return true;
  } catch {
    return false;
  }
}

/** Western text in two bytes a letter has every other byte zero. */
function wideness(bytes: Uint8Array): string | undefined {
  const some = bytes.subarray(0, HEAD);
  const zeros = [0, 0];
  some.forEach((byte, i) => {
    if (byte === 0) zeros[i % 2] = (zeros[i % 2] ?? 0) + 1;
  });
  const many = some.length * 0.3;
  if ((zeros[1] ?? 0) > many) return 'utf-16le';
  return (zeros[0] ?? 0) > many ? 'utf-16be' : undefined;
}
