import { renderToBuffer } from '@react-pdf/renderer';
import { registerLabelFonts } from './labelFonts.js';
import { LabelsPdf, type SetLabel } from './LabelsPdf.js';
import type { LabelSheet } from '@portiona/core';

/** Labels as the bytes of a PDF. */
export function drawLabelsPdf(labels: readonly SetLabel[], sheet: LabelSheet, start: number, outlines: boolean): Promise<Buffer> {
  registerLabelFonts();
  return renderToBuffer(<LabelsPdf labels={labels} sheet={sheet} start={start} outlines={outlines} />);
}
