import { FORMS, SOURCES } from './foodKnowledge.js';
import { foodWords } from './foodWords.js';

/** "ghee or vegetable oil", "chicken or vegetable stock": each alternative whole. */
export function alternativesOf(text: string): string[] {
  const [first, ...others] = text
    .split(/ (?:or|and\/or|and|&) | \/ /i)
    .map((one) => one.trim())
    .filter(Boolean);
  if (first === undefined || others.length === 0) return [text];
  const last = others.at(-1)?.split(/[,(]/)[0]?.split(/\s+/) ?? [];
  // Of a single word before "or", the thing itself stands at the end.
  const shared =
    !first.includes(' ') && last.length > 1 && (SOURCES.has(foodWords(first)[0] ?? '') || FORMS.has(foodWords(first)[0] ?? ''));
  return [shared ? `${first} ${last.at(-1)}` : first, ...others];
}
