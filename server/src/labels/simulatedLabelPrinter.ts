import { Injectable } from '@nestjs/common';
import type { LabelBitmap } from '@portiona/core';
import type { LabelPrinter } from './labelPrinter.js';

/** Labels that are kept to be looked at. */
const KEPT = 24;

/** A label that came out. */
export interface PrintedLabel extends LabelBitmap {
  readonly number: number;
  readonly at: Date;
}

/** A label printer that prints nothing: what came out is kept to be looked at. */
@Injectable()
export class SimulatedLabelPrinter implements LabelPrinter {
  readonly name = 'Simulated label printer, 62 mm';
  readonly dotsPerInch = 203;
  readonly widest = 62;
  #count = 0;
  #out: readonly PrintedLabel[] = [];
  /** Why it does not print, where it does not. */
  trouble: string | undefined;

  print(label: LabelBitmap): Promise<{ readonly ok: true } | { readonly ok: false; readonly because: string }> {
    if (this.trouble !== undefined) return Promise.resolve({ ok: false, because: this.trouble });
    const dots = Math.round((this.widest / 25.4) * this.dotsPerInch);
    if (label.width > dots)
      return Promise.resolve({ ok: false, because: `the label is ${label.width} dots wide, the printer takes ${dots}` });
    if (label.dotsPerInch !== this.dotsPerInch)
      return Promise.resolve({
        ok: false,
        because: `the label is drawn for ${label.dotsPerInch} dots per inch, the printer has ${this.dotsPerInch}`,
      });
    const printed = Array.from({ length: Math.min(label.copies, KEPT) }, () => ({ ...label, number: ++this.#count, at: new Date() }));
    this.#out = [...this.#out, ...printed].slice(-KEPT);
    return Promise.resolve({ ok: true });
  }

  /** The newest first. */
  get out(): readonly PrintedLabel[] {
    return [...this.#out].reverse();
  }
}
