import { kitchenPieces, type Decode, NoJsonError, TwiceError, type KitchenPiece } from './kitchenPieces.js';
import type { Read } from './readEntry.js';
import { isListKey, KitchenTaking, type KitchenRead } from './readKitchen.js';

/**
 * Reads a kitchen file as it was sent, entry by entry: as `readKitchen` does it whole, with no more in memory than the file and
 * what is kept of it, and no further than the hundredth fault.
 *
 * @param bytes JSON as UTF-8
 * @param decode makes text of UTF-8
 * @param today ISO date, where the file states none
 */
export function readKitchenBytes(bytes: Uint8Array, decode: Decode, today: string): Read<KitchenRead> {
  const taking = new KitchenTaking();
  try {
    for (const piece of kitchenPieces(bytes, decode, isListKey)) if (!takePiece(taking, piece)) break;
  } catch (error) {
    if (!(error instanceof NoJsonError || error instanceof TwiceError)) throw error;
    // Of a file that breaks off nothing else is said: what is missing may stand in the rest.
    return { ok: false, faults: [...taking.faults, { path: error instanceof TwiceError ? error.key : '', message: error.message }] };
  }
  return taking.kitchen(today);
}

/** @returns whether more is to be read */
function takePiece(taking: KitchenTaking, { key, index, text }: KitchenPiece): boolean {
  const parsed = parsedPiece(text);
  if (!parsed) return taking.fault({ path: index === undefined ? key : `${key}[${index}]`, message: 'is not JSON' });
  if (index !== undefined && isListKey(key)) return taking.takeMember(key, index, parsed.found);
  taking.takeHead(key, parsed.found);
  return true;
}

function parsedPiece(text: string): { readonly found: unknown } | undefined {
  try {
    return { found: JSON.parse(text) as unknown };
  } catch {
    return undefined;
  }
}
