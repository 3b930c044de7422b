import { normalForm } from '../quantity/index.js';

/** Stands before a number in which letters were taken for digits, or which was put together again: it is to be looked at. */
export const MENDED = '\uE000';

/** More than any label says. */
export const MOST_LETTERS = 50_000;

const UNITS = 'kcal|kj|cal|mg|mcg|µg|μg|g|ml|%';
/** Letters that scans take for digits, by the digit they stand for. */
const LOOKS_LIKE: Readonly<Record<string, string>> = { O: '0', o: '0', l: '1', I: '1', '|': '1' };
const DIGITS_AND_LIKE = new RegExp(
  String.raw`(?<![\p{L}\d.,|])(?:(?=[\d.,OoIl|]*[OoIl|])[\dOoIl][\d.,OoIl|]*(?=[ \n]?(?:${UNITS})(?!\p{L}))|(?=[\dOIl.,]*\d)(?=[\dOIl.,]*[OIl])[OIl\d][\dOIl.,]*[\dOI](?![\p{L}\d]))`,
  'gu',
);
/** What is said of the whole day, and how a figure was worked out: no figures of this product. */
const ASIDE =
  /8[., ]?400 ?kJ ?[/(]? ?2[., ]?000 ?kcal\)?|2[., ]?000 (?:calories|kcal)(?: a day)?|(?:per|pro|je|pour|por) 100 ?kcal|\((?:natrium|sodium|sodio|na) ?[x×*] ?2[.,]5\d?\)|\(N ?[x×*] ?\d[.,]?\d*\)/giu;

/**
 * The text of a label made even: one kind of space, dash and line end, words and figures whole again that were broken over lines or
 * set wide, letters for digits put right. What was guessed at is marked by `MENDED` in front.
 */
export function labelText(given: string): string {
  return (
    normalForm(given.slice(0, MOST_LETTERS), 'NFKC')
      .replaceAll(MENDED, '')
      .replace(/[‒–—―−]/g, '-')
      .replaceAll('\u2044', '/')
      .replace(/[^\S\n\t]+/g, ' ')
      .replace(/ ?\t ?/g, ' | ')
      .replace(/ ?\n[ \n]*/g, '\n')
      // Table rows whose cells are set apart by commas.
      .replace(/(?<![\d.,])\d+(?:\.\d+)?(?:,\d+(?:\.\d+)?){3,20}(?![\d,])/g, (row) =>
        row.includes('.') ? row.replaceAll(',', ' | ') : row,
      )
      // "carbo-\nhydrate"
      .replace(/(?<=\p{Ll})-\n(?=\p{Ll})/gu, '')
      .replace(ASIDE, ' ')
      .replace(DIGITS_AND_LIKE, (found) => MENDED + found.replace(/[OoIl|]/g, (letter) => LOOKS_LIKE[letter] ?? letter))
      // "Calories 90 % Daily Value": a heading behind a figure, no share.
      .replace(/(?<=\d) % ?(?=daily value)/gi, '\n% ')
      // "12.\n5 g", "10 . 2 g"
      .replace(/(?<=(?<![\d.,])\d{1,4})(?: [.,] |[.,]\n| [.,](?=\d)|[.,] (?=\d{1,2} ?(?:g|mg)(?!\p{L})))(?=\d{1,2}(?!\d))/gu, '.')
      // "1\n046 kJ", "299 k cal"
      .replace(/(?<=(?<![\d.,])\d)\n(?=\d{3} ?kJ)/giu, '')
      .replace(/\bk (?=cal\b|J\b)/gi, 'k')
      // "Includes 10g Added Sugars" is a row like the others.
      .replace(/\(?\bincl(?:udes|uding|\.)? ?(\uE000?<? ?[\d.,]{1,9}) ?g (?:of )?added sugars?\)?/gi, '\nadded sugars $1 g')
  );
}
