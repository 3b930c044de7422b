import { MOST_FAULTS, type Fault } from './fault.js';
import { FoodEntry, KitchenFile, PackEntry, RecipeEntry } from './kitchenFile.js';
import { kitchenPieces, type Decode, NoJsonError, TwiceError, type KitchenPiece } from './kitchenPieces.js';
import { readEntry, type Read } from './readEntry.js';
import { kitchenOf, type KitchenRead } from './readKitchen.js';

/** Classes of the lists' members. */
const MEMBERS = { foods: FoodEntry, packs: PackEntry, recipes: RecipeEntry } as const;

/**
 * Reads a kitchen file as it was sent, entry by entry: as `readKitchen` does it whole, with no more in memory than the file and
 * what is kept of it, and no further than the hundredth fault.
 *
 * @param bytes JSON as UTF-8
 * @param decode makes text of UTF-8
 * @param today ISO date, where the file states none
 */
export function readKitchenBytes(bytes: Uint8Array, decode: Decode, today: string): Read<KitchenRead> {
  const lists = { foods: [] as FoodEntry[], packs: [] as PackEntry[], recipes: [] as RecipeEntry[] };
  const head = new Map<string, unknown>();
  const faults: Fault[] = [];
  try {
    for (const piece of kitchenPieces(bytes, decode)) {
      faults.push(...(piece.index === undefined ? takeHead(piece, head) : takeMember(piece, lists)));
      if (faults.length >= MOST_FAULTS) return { ok: false, faults: faults.slice(0, MOST_FAULTS) };
    }
  } catch (error) {
    if (!(error instanceof NoJsonError || error instanceof TwiceError)) throw error;
    return { ok: false, faults: [...faults, { path: error instanceof TwiceError ? error.key : '', message: error.message }] };
  }
  const read = readEntry(KitchenFile, Object.fromEntries(head));
  if (!read.ok || faults.length > 0) return { ok: false, faults: [...(read.ok ? [] : read.faults), ...faults].slice(0, MOST_FAULTS) };
  return kitchenOf({ ...read.entry, ...lists }, today);
}

function takeHead({ key, text }: KitchenPiece, head: Map<string, unknown>): Fault[] {
  const parsed = parsedPiece(text);
  if (!parsed) return [{ path: key, message: 'is not JSON' }];
  head.set(key, parsed.found);
  return [];
}

function takeMember({ key, index, text }: KitchenPiece, lists: { readonly [Key in keyof typeof MEMBERS]: object[] }): readonly Fault[] {
  const path = `${key}[${index}]`;
  const parsed = parsedPiece(text);
  if (!parsed) return [{ path, message: 'is not JSON' }];
  const list = key as keyof typeof MEMBERS;
  const read = readEntry<object>(MEMBERS[list], parsed.found, path);
  if (!read.ok) return read.faults;
  lists[list].push(read.entry);
  return [];
}

function parsedPiece(text: string): { readonly found: unknown } | undefined {
  try {
    return { found: JSON.parse(text) as unknown };
  } catch {
    return undefined;
  }
}
