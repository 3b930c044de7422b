import { encode } from 'uqr';

/** Squares of a QR code, row by row, true where dark; without the light border, which whoever draws it leaves (4 squares). */
export function qrModules(text: string): readonly (readonly boolean[])[] {
  return encode(text, { ecc: 'M', border: 0 }).data;
}
