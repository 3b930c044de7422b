import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { Font } from '@react-pdf/renderer';
import { woffToTtf } from './woffToTtf.js';

const here = createRequire(import.meta.url);

/** A face a card is set in. */
interface CardFace {
  readonly family: string;
  readonly weight: number;
  readonly style: 'normal' | 'italic';
  /** Package and file without its ending. */
  readonly file: string;
}

const FACES: readonly CardFace[] = [
  { family: 'Hanken Grotesk', weight: 400, style: 'normal', file: '@fontsource/hanken-grotesk/files/hanken-grotesk-latin-400-normal' },
  { family: 'Hanken Grotesk', weight: 600, style: 'normal', file: '@fontsource/hanken-grotesk/files/hanken-grotesk-latin-600-normal' },
  { family: 'Literata', weight: 400, style: 'normal', file: '@fontsource/literata/files/literata-latin-400-normal' },
  { family: 'Literata', weight: 600, style: 'normal', file: '@fontsource/literata/files/literata-latin-600-normal' },
  { family: 'Literata', weight: 400, style: 'italic', file: '@fontsource/literata/files/literata-latin-400-italic' },
];

/** A face for the characters the others lack, thirds above all: without it a third prints as a letter. */
const FALLBACK = 'dejavu-fonts-ttf/ttf/DejaVuSans.ttf';

let registered = false;

/** Makes the card's faces known to the PDF writer, once. */
export function registerCardFonts(): void {
  if (registered) return;
  registered = true;
  for (const family of new Set(FACES.map((face) => face.family)))
    Font.register({
      family,
      fonts: FACES.filter((face) => face.family === family).map(({ file, weight, style }) => ({
        src: dataUri('font/ttf', woffToTtf(readFont(`${file}.woff`))),
        fontWeight: weight,
        fontStyle: style,
      })),
    });
  const fallback = dataUri('font/ttf', readFont(FALLBACK));
  Font.register({
    family: 'Fallback',
    fonts: [400, 600].flatMap((fontWeight) =>
      (['normal', 'italic'] as const).map((fontStyle) => ({ src: fallback, fontWeight, fontStyle })),
    ),
  });
  Font.registerHyphenationCallback((word) => [word]);
}

let faceRules: string | undefined;

/** The card's faces as style rules with the fonts inside: the page needs nothing from anywhere. */
export function cardFaceRules(): string {
  faceRules ??= FACES.map(
    ({ family, weight, style, file }) =>
      `@font-face{font-family:"${family}";font-weight:${weight};font-style:${style};src:url(${dataUri('font/woff2', readFont(`${file}.woff2`))}) format("woff2")}`,
  ).join('\n');
  return faceRules;
}

function readFont(file: string): Buffer {
  return readFileSync(here.resolve(file));
}

function dataUri(type: string, bytes: Buffer): string {
  return `data:${type};base64,${bytes.toString('base64')}`;
}
