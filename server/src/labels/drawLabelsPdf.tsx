import { renderToBuffer } from '@react-pdf/renderer';
import { registerCardFonts } from '../cards/drawCardPdf.js';
import { LabelsPdf, type SetLabel } from './LabelsPdf.js';
import type { LabelSheet } from '@portiona/core';

/** Labels as the bytes of a PDF. */
export function drawLabelsPdf(labels: readonly SetLabel[], sheet: LabelSheet, start: number, outlines: boolean): Promise<Buffer> {
  registerCardFonts();
  return renderToBuffer(<LabelsPdf labels={labels} sheet={sheet} start={start} outlines={outlines} />);
}
