import type { Line, Part } from './recipe.js';

/** A use of which not all is eaten, and what share usually is. */
export interface RetainedUse {
  readonly use: string;
  /** Share eaten, 0 to 1. */
  readonly share: number;
  readonly because: string;
  readonly words: RegExp;
}

/**
 * Uses with their usual share eaten (docs/reckoning.md, "Grams eaten": marinades hold back 60 to 90 %, boiling water is nearly all
 * poured off, a greased tray keeps half; basting fat is taken like the tray's). To begin with: what is left over, weighed, decides.
 */
export const RETAINED_USES: readonly RetainedUse[] = [
  { use: 'marinade', share: 0.25, because: '60 to 90 % of a marinade stays behind', words: /\bmarinad|\bmarinat/i },
  { use: 'basting', share: 0.5, because: 'about half of what bastes runs off', words: /\bbast/i },
  {
    use: 'boiling water',
    share: 0,
    because: 'nearly all of it is poured off',
    words: /\b(?:boiling|cooking|pasta) water|\bto boil\b|\bfor boiling\b/i,
  },
  { use: 'tray oil', share: 0.5, because: 'a greased tray keeps half', words: /\bgreas|\b(?:for|on) the (?:tray|tin|dish|pan)\b/i },
];

/** The use that a line's words, or its part's name, speak of; undefined where they speak of none or a share is set. */
export function usualRetained(line: Line, part: Pick<Part, 'name'>): RetainedUse | undefined {
  if (line.retained !== undefined) return undefined;
  const words = `${line.text ?? ''} ${line.note ?? ''}`;
  return RETAINED_USES.find((one) => one.words.test(words)) ?? RETAINED_USES.find((one) => one.words.test(part.name));
}
