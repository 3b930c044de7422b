import type { CardDrift } from './cardDrift.js';

/** What a card says to readers who hold the issue before it. */
export interface Correction {
  /** The issue that it puts right. */
  readonly issue: number;
  readonly text: string;
}

/** Letters of something that fits in a sentence. */
const SHORT = 30;
/** What readers eat and shop by, said first; the wording of steps is for them to read. */
const LONG_NAMES = /^(?:Step|Lead|Title|Caution|Ingredient)\b/;

/**
 * What changed between two issues, as a sentence for readers: figures and what is short. Why it did is for a person to say.
 *
 * @example correctionOf([{ name: 'Energy', was: '540 kcal', is: '560 kcal' }]) // 'Energy was 540 kcal, is 560 kcal.'
 */
export function correctionOf(drift: readonly CardDrift[]): string {
  const told = drift.filter(
    ({ name, was, is }) => !LONG_NAMES.test(name) && was !== '' && is !== '' && Math.max(was.length, is.length) <= SHORT,
  );
  const said = told.map(
    ({ name, was, is }, i) => `${i === 0 ? name : `${name.charAt(0).toLowerCase()}${name.slice(1)}`} was ${was}, is ${is}`,
  );
  return said.length === 0 ? '' : `${said.join('; ')}.`;
}

/** A correction as it is printed. */
export function correctionText({ issue, text }: Correction): string {
  return `Correction to issue ${issue}: ${text}`;
}
