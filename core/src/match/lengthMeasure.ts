import type { NamedThing } from './foodIndex.js';

/** A measure that is a piece of a length: "piece, 2.5 cm". */
export interface LengthMeasure {
  readonly name: string;
  readonly centimetres: number;
}

/** The measure by which a food says what its length weighs; undefined where it says none. */
export function lengthMeasure({ measures = {} }: Pick<NamedThing, 'measures'>): LengthMeasure | undefined {
  for (const name of Object.keys(measures)) {
    const centimetres = Number(/^piece, (\d{1,3}(?:\.\d{1,2})?) cm$/.exec(name)?.[1]);
    if (centimetres > 0) return { name, centimetres };
  }
  return undefined;
}
