import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

const here = createRequire(import.meta.url);

/** A face a card is set in. */
interface CardFace {
  readonly family: string;
  readonly weight: number;
  readonly style: 'normal' | 'italic';
  /** Package and file without its ending. */
  readonly file: string;
}

export const FACES: readonly CardFace[] = [
  { family: 'Hanken Grotesk', weight: 400, style: 'normal', file: '@fontsource/hanken-grotesk/files/hanken-grotesk-latin-400-normal' },
  { family: 'Hanken Grotesk', weight: 600, style: 'normal', file: '@fontsource/hanken-grotesk/files/hanken-grotesk-latin-600-normal' },
  { family: 'Literata', weight: 400, style: 'normal', file: '@fontsource/literata/files/literata-latin-400-normal' },
  { family: 'Literata', weight: 600, style: 'normal', file: '@fontsource/literata/files/literata-latin-600-normal' },
  { family: 'Literata', weight: 400, style: 'italic', file: '@fontsource/literata/files/literata-latin-400-italic' },
];

/** A face for the characters the others lack, thirds above all: without it a third prints as a letter. */
export const FALLBACK = 'dejavu-fonts-ttf/ttf/DejaVuSans.ttf';

let faceRules: string | undefined;

/** The card's faces as style rules with the fonts inside: the page needs nothing from anywhere. */
export function cardFaceRules(): string {
  faceRules ??= FACES.map(
    ({ family, weight, style, file }) =>
      `@font-face{font-family:"${family}";font-weight:${weight};font-style:${style};src:url(${dataUri('font/woff2', readFont(`${file}.woff2`))}) format("woff2")}`,
  ).join('\n');
  return faceRules;
}

/** Bytes of a font of a package. */
export function readFont(file: string): Buffer {
  return readFileSync(here.resolve(file));
}

/** What a file may be said as inside another. */
export function dataUri(type: string, bytes: Buffer): string {
  return `data:${type};base64,${bytes.toString('base64')}`;
}
