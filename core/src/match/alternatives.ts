import { FORMS, IDLE, SOURCES } from './foodKnowledge.js';
import { foodWords } from './foodWords.js';

/** "ghee or vegetable oil", "chicken or vegetable stock": each alternative whole. */
export function alternativesOf(text: string): string[] {
  const [first, ...others] = text
    .split(/ (?:or|and\/or|and|&) | \/ /i)
    .map((one) => one.trim())
    .filter(Boolean);
  if (first === undefined || others.length === 0) return [text];
  const last = others.at(-1)?.split(/[,(]/)[0]?.split(/\s+/) ?? [];
  // Of a single word before "or", hot or fresh as it may be said to be, the thing itself stands at the end.
  const said = foodWords(first).filter((word) => !IDLE.has(word) && word !== 'hot');
  const [only = ''] = said;
  const shared = said.length === 1 && last.length > 1 && (SOURCES.has(only) || FORMS.has(only));
  return [shared ? `${first} ${last.at(-1)}` : first, ...others];
}
