import { createRequire } from 'node:module';
import { readFileSync } from 'node:fs';
import { basename } from 'node:path';
import type { Face } from '@portiona/core';
import * as fontkit from 'fontkit';
import { woffToTtf } from './woffToTtf.js';

const here = createRequire(import.meta.url);

/** A font of the cards: its bytes, and what is known of its shapes. */
export interface CardFont {
  /** What drawings call it. */
  readonly name: string;
  readonly bytes: Buffer;
  readonly font: fontkit.Font;
}

/** Words of which one font has every shape. */
export interface FontRun {
  readonly font: CardFont;
  readonly words: string;
}

/** Family, weight and style of each face, for style rules; and the packages' file without the script it is for. */
export const FACE_TABLE: Readonly<
  Record<Face, { readonly family: string; readonly weight: number; readonly style: 'normal' | 'italic'; readonly file: string }>
> = {
  sans: { family: 'Hanken Grotesk', weight: 400, style: 'normal', file: 'hanken-grotesk/files/hanken-grotesk-SCRIPT-400-normal' },
  sansBold: { family: 'Hanken Grotesk', weight: 600, style: 'normal', file: 'hanken-grotesk/files/hanken-grotesk-SCRIPT-600-normal' },
  serif: { family: 'Literata', weight: 400, style: 'normal', file: 'literata/files/literata-SCRIPT-400-normal' },
  serifBold: { family: 'Literata', weight: 600, style: 'normal', file: 'literata/files/literata-SCRIPT-600-normal' },
  serifItalic: { family: 'Literata', weight: 400, style: 'italic', file: 'literata/files/literata-SCRIPT-400-italic' },
};

/** For what the others lack, thirds above all: without it a third prints as a letter. */
const LAST = 'dejavu-fonts-ttf/ttf/DejaVuSans.ttf';

const loaded = new Map<string, CardFont>();

/** Figures all as wide as each other, where a font has such. */
export const FEATURES = ['lnum', 'tnum'];

/** The fonts that a face is set in, the first that has a shape taken. */
export function fontsOf(face: Face): readonly CardFont[] {
  const { file } = FACE_TABLE[face];
  return [
    ...['latin', 'latin-ext'].map((script) => fontOf(`@fontsource/${file.replace('SCRIPT', script)}.woff`, woffToTtf)),
    fontOf(LAST, (bytes) => bytes),
  ];
}

/** Words cut by the font that has their shapes; what none has is set in the last one, as an empty box. */
export function fontRuns(words: string, face: Face): readonly FontRun[] {
  const fonts = fontsOf(face);
  const last = fonts.at(-1);
  const runs: { font: CardFont; words: string }[] = [];
  for (const letter of words) {
    const code = letter.codePointAt(0) ?? 0;
    const font = fonts.find(({ font: one }) => one.hasGlyphForCodePoint(code)) ?? last;
    const run = runs.at(-1);
    if (!font) continue;
    if (run?.font === font) run.words += letter;
    else runs.push({ font, words: letter });
  }
  return runs;
}

/** Whether any font of a face has a shape for a letter. */
export function hasShape(letter: string, face: Face): boolean {
  const code = letter.codePointAt(0) ?? 0;
  return fontsOf(face).some(({ font }) => font.hasGlyphForCodePoint(code));
}

/** Bytes of the face as browsers are sent it. */
export function webFont(face: Face): Buffer {
  return readFileSync(here.resolve(`@fontsource/${FACE_TABLE[face].file.replace('SCRIPT', 'latin')}.woff2`));
}

function fontOf(file: string, unpacked: (bytes: Buffer) => Buffer): CardFont {
  const known = loaded.get(file);
  if (known) return known;
  const bytes = unpacked(readFileSync(here.resolve(file)));
  const made = { name: basename(file).replace(/\.\w+$/, ''), bytes, font: fontkit.create(bytes) as fontkit.Font };
  loaded.set(file, made);
  return made;
}
