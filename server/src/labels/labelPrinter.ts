import type { LabelBitmap } from '@portiona/core';

/** Something that prints labels one behind the other: a simulated one here, a real one behind the same lines. */
export interface LabelPrinter {
  /** What it is called. */
  readonly name: string;
  /** Dots per inch, and the widest label it takes, millimetres. */
  readonly dotsPerInch: number;
  readonly widest: number;
  /** Prints a label; what keeps it from doing so is told. */
  print(label: LabelBitmap): Promise<{ readonly ok: true } | { readonly ok: false; readonly because: string }>;
}
