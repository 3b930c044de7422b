import { Font } from '@react-pdf/renderer';
import { FACE_NAMES } from '@portiona/core';
import { FACE_TABLE, fontsOf } from '../sheets/fontChain.js';

let registered = false;

/** Makes the faces of cards known to the writer of labels, once. */
export function registerLabelFonts(): void {
  if (registered) return;
  registered = true;
  const uri = (bytes: Buffer | undefined) => `data:font/ttf;base64,${bytes?.toString('base64') ?? ''}`;
  for (const face of FACE_NAMES) {
    const { family, weight, style } = FACE_TABLE[face];
    Font.register({ family, fonts: [{ src: uri(fontsOf(face)[0]?.bytes), fontWeight: weight, fontStyle: style }] });
  }
  const fallback = uri(fontsOf('sans').at(-1)?.bytes);
  Font.register({
    family: 'Fallback',
    fonts: [400, 600].flatMap((fontWeight) =>
      (['normal', 'italic'] as const).map((fontStyle) => ({ src: fallback, fontWeight, fontStyle })),
    ),
  });
  Font.registerHyphenationCallback((word) => [word]);
}
