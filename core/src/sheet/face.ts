/** The faces that cards are set in. */
export const FACE_NAMES = ['sans', 'sansBold', 'serif', 'serifBold', 'serifItalic'] as const;
export type Face = (typeof FACE_NAMES)[number];

/** Where the middle of a line's letters stands above its baseline, and how far a line reaches above it, in ems: alike in both families. */
export const ASCENT_EMS = 0.94;

/** Knows how wide words are in each face. Whoever has the fonts is one; the same one measures for every output. */
export interface Typesetter {
  /** Width of words set in one line, in ems. */
  readonly ems: (words: string, face: Face) => number;
  /** Characters that no font of the cards has a shape for: they print as an empty box. */
  readonly lacking: (words: string) => readonly string[];
}
