import { Font, renderToBuffer } from '@react-pdf/renderer';
import type { CardContent } from '@portiona/core';
import { dataUri, FACES, FALLBACK, readFont } from './cardFonts.js';
import { CardPdf } from './CardPdf.js';
import type { Paper } from './cardStyle.js';
import { woffToTtf } from './woffToTtf.js';

/** A card as the bytes of a PDF. */
export function drawCardPdf(card: CardContent, paper: Paper): Promise<Buffer> {
  registerCardFonts();
  return renderToBuffer(<CardPdf card={card} paper={paper} />);
}

let registered = false;

/** Makes the faces of cards and labels known to the PDF writer, once. */
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
