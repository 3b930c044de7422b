/** What figures are for. */
export interface RowBasis {
  readonly amount: number;
  readonly unit: 'g' | 'ml';
}

/** Grams or millilitres of one unit that a basis may be written in; a fluid ounce is two, so it is none. */
const UNITS: Readonly<Record<string, readonly [factor: number, unit: 'g' | 'ml']>> = {
  g: [1, 'g'],
  gr: [1, 'g'],
  gram: [1, 'g'],
  grams: [1, 'g'],
  gramm: [1, 'g'],
  grammes: [1, 'g'],
  gramos: [1, 'g'],
  mg: [0.001, 'g'],
  kg: [1000, 'g'],
  oz: [28.349523125, 'g'],
  lb: [453.59237, 'g'],
  ml: [1, 'ml'],
  millilitre: [1, 'ml'],
  millilitres: [1, 'ml'],
  milliliter: [1, 'ml'],
  milliliters: [1, 'ml'],
  cl: [10, 'ml'],
  dl: [100, 'ml'],
  l: [1000, 'ml'],
  litre: [1000, 'ml'],
  liter: [1000, 'ml'],
};
const AMOUNT = /(\d{1,7}(?:[.,]\d{1,4})?)\s?([a-z]{1,12})(?![a-z])/giu;
const LONGEST = 120;

/**
 * What the figures of one row are for, as a cell says it. Grams win over millilitres where both stand ("1 cup (240 ml, 248 g)").
 *
 * @param usual unit of a number that stands alone
 * @returns undefined where it says no weight and no volume ("1 slice"), or two that differ
 * @example rowBasis('1 cup (240 g)', 'g') // { amount: 240, unit: 'g' }
 */
export function rowBasis(cell: string, usual: 'g' | 'ml'): RowBasis | undefined {
  const text = cell.trim();
  if (text === '' || text.length > LONGEST || /\bfl\b/iu.test(text)) return undefined;
  // "1,000 g" is a thousand, "0,5 l" half a litre: three digits behind a mark are thousands unless nothing stands before it.
  const number = (digits: string) =>
    Number(/^[1-9]\d{0,2}[.,]\d{3}$/u.test(digits) ? digits.replace(/[.,]/u, '') : digits.replace(',', '.'));
  if (/^\d{1,7}(?:[.,]\d{1,4})?$/u.test(text)) return sound({ amount: number(text), unit: usual });
  const found = [...text.matchAll(AMOUNT)].flatMap(([, digits = '', word = '']) => {
    const unit = UNITS[word.toLowerCase()];
    return unit ? [{ amount: number(digits) * unit[0], unit: unit[1] }] : [];
  });
  const grams = found.filter(({ unit }) => unit === 'g');
  const said = grams.length > 0 ? grams : found;
  const [first] = said;
  // "1 oz (28 g)" says the same twice, rounded; "30 g or 45 g" says two things.
  if (!first || said.some(({ amount }) => Math.abs(amount - first.amount) > 0.05 * first.amount)) return undefined;
  return sound(said.at(-1) ?? first);
}

function sound(basis: RowBasis): RowBasis | undefined {
  return basis.amount > 0 && basis.amount <= 1e6 ? basis : undefined;
}
