import type { ReadStep } from './readRecipe.js';

const NUMBERED = /^\s*(?:step\s*)?\d{1,2}\s*[.):]\s+/i;
/** "1. Beat the eggs. 2. Fry the rice." */
const WITHIN = /(?<=[.!?]["”)]?)\s+(?=\d{1,2}[.)]\s+\p{Lu})/u;

/** Steps of some lines: freed of their numbers, told apart where several stand in one line. */
export function stepsOfText(lines: readonly string[], section?: string): ReadStep[] {
  return lines
    .flatMap((line) => (NUMBERED.test(line) ? line.split(WITHIN) : [line]))
    .map(withoutNumber)
    .filter((text) => text !== '' && !/^step ?\d{0,2}[.:]?$/i.test(text))
    .map((text) => (section === undefined ? { text } : { text, section }));
}

export function isNumbered(text: string): boolean {
  return NUMBERED.test(text);
}

export function withoutNumber(text: string): string {
  return text.replace(NUMBERED, '').trim();
}
