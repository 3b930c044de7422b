/** What a pack holds, as its name says it. */
export interface PackSize {
  readonly net: number;
  /** g, kg, ml, l, oz, lb or piece. */
  readonly unit: string;
}

/** Units as shops write them, and what they come to in units that packs are kept in. */
const UNITS: Readonly<Record<string, readonly [unit: string, times: number]>> = {
  g: ['g', 1],
  gr: ['g', 1],
  gm: ['g', 1],
  gram: ['g', 1],
  grams: ['g', 1],
  kg: ['kg', 1],
  kilo: ['kg', 1],
  ml: ['ml', 1],
  cl: ['ml', 10],
  dl: ['ml', 100],
  l: ['l', 1],
  lt: ['l', 1],
  ltr: ['l', 1],
  litre: ['l', 1],
  liter: ['l', 1],
  oz: ['oz', 1],
  lb: ['lb', 1],
  lbs: ['lb', 1],
  pc: ['piece', 1],
  pcs: ['piece', 1],
  piece: ['piece', 1],
  pieces: ['piece', 1],
  st: ['piece', 1],
  stk: ['piece', 1],
  stück: ['piece', 1],
  each: ['piece', 1],
  ea: ['piece', 1],
  pk: ['piece', 1],
  pack: ['piece', 1],
};
const NAMES = Object.keys(UNITS).sort((a, b) => b.length - a.length);
const SIZE = new RegExp(
  `(?<![\\p{L}\\d.,])(?:(\\d{1,3})\\s*[x×*]\\s*)?(\\d+(?:[.,]\\d+)?)\\s*(${NAMES.join('|')})\\b\\.?(?:\\s*[x×*]\\s*(\\d{1,3})(?!\\d))?`,
  'iu',
);

/**
 * Reads what a pack holds off its name: "6 x 70 g" is 420 g, "1,5kg", "75 cl" 750 ml, "10 pcs".
 *
 * @returns the size, if the name says one, and the name without it
 * @example packSizeText('Chickpeas 2x400G tin') // { size: { net: 800, unit: 'g' }, rest: 'Chickpeas tin' }
 */
export function packSizeText(text: string): { readonly size: PackSize | undefined; readonly rest: string } {
  const found = SIZE.exec(text);
  const unit = found && UNITS[(found[3] ?? '').toLowerCase()];
  if (!found || !unit) return { size: undefined, rest: text.replace(/\s+/g, ' ').trim() };
  const times = Number(found[1] ?? found[4] ?? 1) * unit[1];
  const net = Number((Number((found[2] ?? '').replace(',', '.')) * times).toPrecision(12));
  const rest = text.replace(found[0], ' ').replace(/\s+/g, ' ').trim();
  return net > 0 ? { size: { net, unit: unit[0] }, rest } : { size: undefined, rest };
}
