import { dateText, wordedDate } from './receiptDate.js';
import { trimmed } from '../text/index.js';
import { isDiscount, rowKind } from './rowKind.js';

/** What a till printed, as a table: name, size, count, price of one, price of the line. */
export interface TillTable {
  readonly rows: readonly (readonly string[])[];
  /** The day it says, ISO. */
  readonly seen: string | undefined;
}

export const TILL_HEADINGS = ['Item', 'Size', 'Quantity', 'Price', 'Total', 'Note'] as const;

const SIGN = '(?:€|£|\\$|EUR|GBP|USD|CHF)';
const MONEY = String.raw`\(?[-−]?(?:${SIGN} ?)?[-−]?(?:\d{1,5}(?:[.,]\d{3})*[.,]\d{2}(?!\d)|(?<=[€£$] ?)\d{1,4}(?![\d.,]))-?\)?(?: ?${SIGN})?`;
/** "0.50 kg" is no money. */
const NO_UNIT = String.raw`(?! ?(?:kg|g|gr|mg|l|ml|cl|dl|lb|oz|st|pc)(?!\p{L}))`;
/** Money at a line's end, behind a gap; what follows it is a tax letter. */
const PRICED = new RegExp(String.raw`(?<=\S\s)(${MONEY})${NO_UNIT}(?: ?[A-Z*#]{1,2}| \d)?$`, 'iu');
/** "carrots 70p/kg", "Rice €2.30/kg" */
const PER_KG = new RegExp(String.raw`(?:(?<![\d.,])(\d{1,3}) ?(?:p|ct|c)|(?<![\d.,])(${MONEY})) ?(?:/|per|pro|je|a) ?(?:kg|kilo)\b`, 'iu');
/** "0,852 kg x 2,30 EUR/kg", "2 STK X 2,99", "3 @ 1.20", with or without the line's price behind it. */
const TIMES = new RegExp(
  String.raw`^(\d{1,4}(?:[.,]\d{1,4})?) ?(kg|g|lb|stk|st|pcs?|pc|ea|x)?\.?(?: net| netto)?(?: ?[x×@*]| {1,6})(?: ?)(${MONEY}) ?(?:/ ?(?:kg|lb|stk|st|ea|each|pc))?\s*(${MONEY})?(?: ?[A-Z*#]{1,2})?$`,
  'iu',
);
/** "Gurken 0,49 x 3" before the line's price. */
const ONE_TIMES = new RegExp(String.raw`(?<=\S\s)(${MONEY}) ?[x×*] ?(\d{1,3})$`, 'iu');
/** "Apples 1.2kg @ 2.50/kg 3.00" */
const WEIGHED_WITHIN = new RegExp(
  String.raw`(?<=\S\s)(\d{1,3}(?:[.,]\d{1,3})?) ?(kg|lb) ?[@x×*] ?(${MONEY}) ?/ ?(?:kg|lb) (${MONEY})$`,
  'iu',
);
const SIGN_BEHIND = new RegExp(` ?${SIGN}$`, 'u');
const LEADING = /^(\d{1,2})(?: ?[x×]\s?| {1,4})(?=\p{L})/iu;
const QTY = /\b(?:qty|quantity|menge|anzahl|cant)\.?:? ?(\d{1,3})\b/iu;
const CODE = /(?<=\s)\d{6,14}(?=\s|$)/g;
/** What sets a name apart from what stands behind it. */
const APART = ' —–:|,-';

/** Whether a text is a till's print or a typed list, in lines that end in money, and no table. */
export function isTill(text: string): boolean {
  const lines = text
    .split(/\r?\n|\r/)
    .slice(0, 400)
    .map((line) => line.trim())
    .filter((line) => line !== '');
  if (lines.length === 0 || lines.filter((line) => line.includes('\t')).length > lines.length / 3) return false;
  const plain = lines.map((line) => line.slice(0, 200).replace(/\s+/g, ' '));
  const priced = plain.filter(
    (line) => line.length < 160 && !isTable(line) && (PRICED.test(line) || TIMES.test(line) || PER_KG.test(line)),
  );
  return priced.length >= 1 && priced.length >= 0.4 * lines.length;
}

/** Cells set apart by marks are a table's. */
function isTable(line: string): boolean {
  return line.split(';').length > 2 || /^[^\s,]{0,80},[^\s,]{0,80},/.test(line);
}

interface TillRow {
  item: string;
  size: string;
  quantity: string;
  price: string;
  total: string;
  note: string;
}

/** Makes a table of a till's lines: what was weighed or counted on a line of its own goes to the item whose price it makes. */
export function tillTable(lines: readonly string[]): TillTable {
  const plain = lines
    .map((line) =>
      line
        .replace(/\s+/g, ' ')
        .replace(/^[\s*•–-]+(?=\S)/u, '')
        .trim(),
    )
    .filter((line) => line !== '');
  const goods = plain.filter(
    (line) => !TIMES.test(line) && rowKind(line) === undefined && !isDiscount(line) && (PRICED.test(line) || LEADING.test(line)),
  );
  // Where most lines begin with a number, it is how many were bought, and no part of a name.
  const counted = goods.filter((line) => LEADING.test(line)).length > goods.length / 2;
  const rows: TillRow[] = [];
  /** A name whose price stands on the next line, and a count whose item does. */
  let waiting: string | undefined;
  let times: Times | undefined;
  let seen: string | undefined;
  for (const line of plain) {
    seen ??= dayIn(line);
    const found = timesOf(line);
    if (found) {
      const before = rows.findLast(({ total }) => total !== '');
      if (waiting !== undefined && found.total !== '') rows.push({ ...rowOf(waiting, found.total, counted), quantity: found.quantity });
      else if (before && before.quantity === '' && makes(found, before.total)) before.quantity = found.quantity;
      else times = found;
      waiting = undefined;
      continue;
    }
    const within = WEIGHED_WITHIN.exec(line);
    if (within) {
      rows.push({
        ...empty(trimmed(line.slice(0, within.index), APART)),
        quantity: `${within[1] ?? ''} ${within[2] ?? ''}`,
        total: within[4] ?? '',
        note:
          number(within[1] ?? '') * number(within[3] ?? '') - number(within[4] ?? '') > 0.011
            ? 'its weight and price do not make what it cost'
            : '',
      });
      continue;
    }
    const perKg = PER_KG.exec(line);
    if (perKg && perKg.index > 1) {
      const price = perKg[1] === undefined ? (perKg[2] ?? '') : (Number(perKg[1]) / 100).toFixed(2);
      rows.push({ ...empty(trimmed(line.slice(0, perKg.index), APART)), size: '1 kg', price });
      continue;
    }
    const money = PRICED.exec(line);
    if (!money) {
      if (waiting !== undefined) rows.push(empty(waiting));
      waiting = dayIn(line) === undefined && /\p{L}{3}/u.test(line) ? line : undefined;
      continue;
    }
    if (waiting !== undefined) rows.push(empty(waiting));
    waiting = undefined;
    const row = rowOf(line.slice(0, money.index), money[1] ?? '', counted);
    if (times && row.quantity === '' && makes(times, row.total)) row.quantity = times.quantity;
    else if (times) row.note = `“${times.text}” above it belongs to no price`;
    times = undefined;
    rows.push(row);
  }
  if (waiting !== undefined) rows.push(empty(waiting));
  return {
    rows: [[...TILL_HEADINGS], ...rows.map(({ item, size, quantity, price, total, note }) => [item, size, quantity, price, total, note])],
    seen,
  };
}

const empty = (item: string): TillRow => ({ item: item.trim(), size: '', quantity: '', price: '', total: '', note: '' });

function rowOf(words: string, total: string, counted: boolean): TillRow {
  let item = trimmed(words.replace(CODE, '').replace(/\s+/g, ' '), APART);
  let quantity = '';
  let price = '';
  const qty = QTY.exec(item);
  if (qty) {
    quantity = qty[1] ?? '';
    item = trimmed(item.slice(0, qty.index), APART);
  }
  const leading = LEADING.exec(item);
  if (leading && (counted || /x|×/i.test(leading[0]))) {
    quantity = leading[1] ?? '';
    item = item.slice(leading[0].length).trim();
  }
  const times = ONE_TIMES.exec(item);
  if (times && Math.abs(number(times[1] ?? '') * Number(times[2]) - number(total)) < 0.011) {
    quantity = times[2] ?? '';
    price = times[1] ?? '';
    item = trimmed(item.slice(0, times.index), APART);
  }
  // "ATUN NATURAL 3X80G 2,65 5,30": the price of one before that of the line.
  const one = PRICED.exec(item);
  if (one && quantity !== '' && Math.abs(number(one[1] ?? '') * Number(quantity) - number(total)) < 0.011) {
    price = one[1] ?? '';
    item = trimmed(item.slice(0, one.index), APART);
  }
  return { ...empty(trimmed(item.replace(SIGN_BEHIND, ''), APART)), quantity, price, total };
}

interface Times {
  readonly quantity: string;
  readonly makes: number;
  readonly total: string;
  readonly text: string;
}

function timesOf(line: string): Times | undefined {
  const found = TIMES.exec(line);
  if (!found) return undefined;
  const unit = (found[2] ?? '').toLowerCase();
  const weighed = unit === 'kg' || unit === 'g' || unit === 'lb';
  return {
    quantity: weighed ? `${found[1] ?? ''} ${unit}` : (found[1] ?? ''),
    makes: number(found[1] ?? '') * number(found[3] ?? ''),
    total: found[4] ?? '',
    text: line,
  };
}

/** Whether a count and a price make a line's price, to the cent. */
function makes(times: Times, total: string): boolean {
  return Math.abs(times.makes - number(total)) < 0.011;
}

/** A number whose last point or comma stands before its decimals. */
function number(text: string): number {
  const bare = text.replace(/[^\d.,]/g, '');
  const at = Math.max(bare.lastIndexOf('.'), bare.lastIndexOf(','));
  return at < 0 ? Number(bare) : Number(`${bare.slice(0, at).replace(/[.,]/g, '')}.${bare.slice(at + 1)}`);
}

function dayIn(line: string): string | undefined {
  const numeric = /(?<![\d.,/-])\d{1,4}[./-]\d{1,2}[./-]\d{2,4}(?![\d/-])/.exec(line)?.[0];
  return (numeric === undefined ? undefined : dateText(numeric)) ?? wordedDate(line);
}
