import { normalForm } from './normalForm.js';

/**
 * A text as it is kept: well-formed, and in composed form (Unicode NFC), so that what looks alike is alike. Half a letter, as
 * where a text was cut in the middle of one, becomes U+FFFD.
 *
 * @example tidyText('cre\u0300me') // 'crème', five letters
 * @example tidyText('plum \ud83c') // 'plum \ufffd'
 */
export function tidyText(text: string): string {
  return PLAIN.test(text) ? text : normalForm(wellFormed(text), 'NFC');
}

/** Latin letters, which are what they are in any form. */
const PLAIN = /^[\0-\u00ff]*$/;

const LONE_SURROGATE = /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g;

function wellFormed(text: string): string {
  return text.replace(LONE_SURROGATE, '\ufffd');
}

const GRAPHEMES = new Intl.Segmenter('en', { granularity: 'grapheme' });

/**
 * The beginning of a text, of so many UTF-16 units at most, cut between letters as people see them: never through an accent, a
 * surrogate pair or a family of emoji.
 *
 * @example cutText('plum 👩‍🍳', 7) // 'plum '
 */
export function cutText(text: string, most: number): string {
  if (text.length <= most) return text;
  // Only the last letter can be cut through; one of more units than this is no letter.
  const from = Math.max(0, most - 64);
  let end = from;
  for (const { index, segment } of GRAPHEMES.segment(text.slice(from, most + 64))) {
    if (from + index + segment.length > most) break;
    end = from + index + segment.length;
  }
  return wellFormed(text.slice(0, end));
}
