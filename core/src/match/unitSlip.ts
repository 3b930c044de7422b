import { distance } from 'fastest-levenshtein';
import type { FoodIndex } from './foodIndex.js';
import { UNIT_WORDS, unitOfWord, type ParsedLine } from '../text/index.js';

/** A word that stands where a unit would and is nearly one. */
export interface UnitSlip {
  /** As typed: "cupp". */
  readonly word: string;
  /** Units it may stand for, as they are written in a line, the likeliest first, two at most. */
  readonly meant: readonly string[];
}

/** Words that describe a food and happen to be a letter from a unit ("thin", "tin"). */
const DESCRIBING: ReadonlySet<string> = new Set(
  'back bad black blue close cold cut fat flat full hot lean leafy long mini nice old pink ripe round spare spring sticky sweet tart thick thin tiny tough wide'.split(
    ' ',
  ),
);

/**
 * The word of a line that was meant as a unit and is none: "2 cupp leeks". Taken for part of the food's name it would
 * turn cups into pieces without a word said.
 *
 * @param index foods the line may mean: a word any of them is named by is no slip
 * @example unitSlip(parseLineText('2 cupp leeks'), index) // { word: 'cupp', meant: ['cup'] }
 */
export function unitSlip(parsed: ParsedLine, index: FoodIndex): UnitSlip | undefined {
  if (parsed.amount === undefined || parsed.unit !== undefined) return undefined;
  const [word = '', ...others] = parsed.foodWords.split(' ');
  const bare = word.toLowerCase().replace(/\.$/, '');
  if (others.length === 0 || !/^\p{L}{3,}$/u.test(bare) || DESCRIBING.has(bare) || unitOfWord(bare) || index.names(bare)) return undefined;
  const known = UNIT_WORDS.filter((unit) => unit.length >= 2);
  const near = [...known.filter((unit) => isSwap(bare, unit)), ...known.filter((unit) => distance(bare, unit) === 1)];
  const meant = [...new Set(near.map((unit) => unitOfWord(unit)?.unit ?? unit))].slice(0, 2);
  return meant.length > 0 ? { word, meant } : undefined;
}

/** Two neighbouring letters the wrong way round. */
function isSwap(typed: string, meant: string): boolean {
  const at = [...typed].findIndex((letter, i) => letter !== meant[i]);
  return typed.slice(0, at) + (typed[at + 1] ?? '') + (typed[at] ?? '') + typed.slice(at + 2) === meant;
}
