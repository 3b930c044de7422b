import { normalForm } from '../quantity/index.js';
import Big from 'big.js';
import { packSizeText, type PackSize } from './packSize.js';
import { dateText, isMonthFirst } from './receiptDate.js';
import type { ReceiptMapping, ReceiptTarget } from './receiptMapping.js';
import { cellMoney, currencyNamed, settled, type CellMoney } from './receiptMoney.js';
import { isDiscount, isOfAll, namedByDiscount, rowKind, type PassedKind } from './rowKind.js';

/** A line of a receipt or price list as a price seen, without a food yet. */
export interface ReceiptLine {
  /** From 1, as a spreadsheet counts. */
  readonly row: number;
  /** As the shop prints it, without a count that stood with it. */
  readonly item: string;
  readonly net: number | undefined;
  readonly unit: string | undefined;
  /** Of one pack, major units, exact. */
  readonly price: string;
  /** Packs that were bought; 1 of what was weighed, and where nothing says so. */
  readonly count: number;
  /** What was paid for all of them, discounts that are off it taken off: major units, exact. */
  readonly total: string;
  /** ISO 4217; the kitchen's where nothing names another. */
  readonly currency: string;
  readonly shop: string;
  readonly seen: string;
  readonly promotion: boolean;
  /** Of an offer: what it would have cost without, where the receipt says so. */
  readonly usual?: string;
  /** What was made of the line, where it was not plain: "3 for 5.00". */
  readonly note: string;
  /** What was taken though it may be otherwise: such a line is added only when a person says so. */
  readonly doubt?: string;
}

/** A row that is no price, and why. */
export interface PassedRow {
  readonly row: number;
  readonly item: string;
  readonly kind: PassedKind;
  readonly why: string;
}

export interface ReadReceipt {
  readonly lines: readonly ReceiptLine[];
  readonly passed: readonly PassedRow[];
}

/** What a receipt does not say itself. */
export interface GivenOfReceipt {
  readonly shop: string;
  /** The day for rows that do not say one, ISO. */
  readonly seen: string;
  /** The kitchen's currency. */
  readonly currency: string;
  /** Nothing was seen later, ISO. */
  readonly today?: string;
}

const WHY: Readonly<Record<PassedKind, string>> = {
  total: 'sums up',
  payment: 'says how it was paid',
  tax: 'is tax',
  deposit: 'is a deposit',
  voucher: 'is a voucher, off the whole receipt',
  return: 'was given back',
  discount: 'is off the whole receipt, or does not say off what',
  fee: 'is no food',
  formula: 'is a formula, which is not computed here',
  none: 'has no price',
};

/** What may be said of goods by their size: a deposit, what was given back, tax. */
const OF_GOODS: ReadonlySet<PassedKind> = new Set(['deposit', 'return', 'tax']);

/** A line while discounts below it may still change it. */
interface OpenLine {
  line: ReceiptLine;
  readonly count: number;
  /** Of the line as it was printed. */
  readonly total: Big;
  readonly words: ReadonlySet<string>;
}

/**
 * Reads a receipt or price list row by row. Money stays exact: a line of several is divided by its count, weighed goods are a pack of what
 * they weighed. A discount is taken off the item that it names, or that stands above it and that it can be off; what is off the whole,
 * given back, a voucher, deposit, tax or payment changes no item and is told apart.
 */
export function receiptLines(rows: readonly (readonly string[])[], mapping: ReceiptMapping, given: GivenOfReceipt): ReadReceipt {
  const open: OpenLine[] = [];
  const passed: PassedRow[] = [];
  const cellOf = (cells: readonly string[], target: ReceiptTarget) => {
    const at = mapping.columns[target];
    return at === undefined ? '' : (cells[at] ?? '').replace(/\s+/g, ' ').trim();
  };
  const body = rows.slice(mapping.headingLines);
  const monthFirst = isMonthFirst(body.map((cells) => cellOf(cells, 'date')));
  const headed = headingCurrency(rows, mapping);
  let sum = new Big(0);
  body.forEach((cells, i) => {
    const row = i + mapping.headingLines + 1;
    if (cells.every((cell) => cell.trim() === '')) return;
    const text = (target: ReceiptTarget) => cellOf(cells, target);
    const item = text('item');
    const pass = (kind: PassedKind) => passed.push({ row, item, kind, why: WHY[kind] });
    if (isFormula(item) || isFormula(text('price')) || isFormula(text('total'))) return pass('formula');
    const plain = withoutAccents(item);
    const money = (target: ReceiptTarget) => cellMoney(text(target), mapping.decimal);
    const [unitPrice, total] = [money('price'), money('total')];
    const amount = (total ?? unitPrice)?.amount;
    const below = open.at(-1);
    const counted = countedRow(item, below, row);
    if (counted && below && !amount?.gt(0)) {
      below.line = withCount(below, counted, mapping.decimal);
      return;
    }
    if (item === '') return pass('none');
    const kind = rowKind(plain);
    // "Bag salad 150 g" is goods, though bags are none.
    const sized = packSizeText(item).size;
    if (kind !== undefined && (OF_GOODS.has(kind) || sized === undefined || sized.unit === 'piece')) return pass(kind);
    if (!amount && !money('perKg')) return pass('none');
    if (amount?.lt(0)) return takeOff(amount, { item, plain, row, open, sum, pass });
    if (amount?.eq(0)) return pass('none');
    const made = lineOf({
      row,
      item,
      text,
      unitPrice,
      total,
      perKg: money('perKg'),
      usual: money('usual'),
      mapping,
      given,
      headed,
      monthFirst,
    });
    sum = sum.plus(made.total);
    open.push(made);
  });
  return { lines: open.map(({ line }) => line), passed };
}

/** What a spreadsheet would compute; here it is text. */
function isFormula(text: string): boolean {
  return /^[=@]|^[+-][A-Za-z(]/.test(text.trim());
}

function withoutAccents(text: string): string {
  return normalForm(text, 'NFD').replace(/[\u0300-\u036f]/g, '');
}

function headingCurrency(rows: readonly (readonly string[])[], { headingLines, columns }: ReceiptMapping): string | undefined {
  const at = columns.total ?? columns.price ?? columns.perKg;
  if (at === undefined) return undefined;
  return rows
    .slice(0, headingLines)
    .map((cells) => currencyNamed(cells[at] ?? ''))
    .find((currency) => currency !== undefined);
}

/** "0,492 KG X 2,99 €/KG", "2 STK X 2,99": how the item above was counted. */
function countedRow(item: string, below: OpenLine | undefined, row: number): { readonly count: string; readonly each: string } | undefined {
  const found =
    /^(\d{1,4}(?:[.,]\d{1,4})? ?(?:kg|g|lb|stk|st|pcs?|ea)?)\.? ?[x×@*] ?[€£$]? ?(\d{1,5}[.,]\d{2}) ?(?:€|£|\$|EUR|GBP)?(?: ?\/ ?\p{L}{1,4})?$/iu.exec(
      item,
    );
  return found && below?.line.row === row - 1 ? { count: found[1] ?? '', each: found[2] ?? '' } : undefined;
}

function withCount(
  { line, total }: OpenLine,
  { count, each }: { readonly count: string; readonly each: string },
  decimal: '.' | ',',
): ReceiptLine {
  const number = numberOf(count, decimal) ?? numberOf(count, decimal === ',' ? '.' : ',');
  const one = cellMoney(each, decimal)?.amount;
  if (number === undefined || !one) return line;
  if (one.times(number).minus(total).abs().gt(0.011)) return { ...line, doubt: `“${count} x ${each}” below it does not make its price` };
  const weighed = packSizeText(count.replace(',', '.')).size;
  if (weighed && weighed.unit !== 'piece') return { ...line, ...weighed, note: `${weighed.net} ${weighed.unit} weighed` };
  return { ...line, price: one.toFixed(), count: number, note: `${number} for ${moneyText(total)}` };
}

interface Discount {
  readonly item: string;
  readonly plain: string;
  readonly row: number;
  readonly open: OpenLine[];
  /** Of everything above it. */
  readonly sum: Big;
  readonly pass: (kind: PassedKind) => void;
}

/** What is below nothing: off an item, off the whole, or one given back. */
function takeOff(amount: Big, { item, plain, open, sum, pass }: Discount): void {
  const same = open.find(({ line, total }) => line.item.toLowerCase() === item.toLowerCase() && total.eq(amount.abs()));
  if (same) return pass('return');
  if (!isDiscount(plain)) return pass('discount');
  if (isOfAll(plain)) return pass('discount');
  const words = namedByDiscount(plain);
  const named = open.findLast((one) =>
    words.some((word) => [...one.words].some((own) => own === word || (word.length > 4 && own.startsWith(word)))),
  );
  const above = open.at(-1);
  const share = /(\d{1,2}(?:[.,]\d)?) ?%/.exec(plain)?.[1]?.replace(',', '.');
  const isShareOf = (of: Big) => share !== undefined && of.times(share).div(100).minus(amount.abs()).abs().lte(0.011);
  if (!named && share !== undefined && isShareOf(sum) && !(above && isShareOf(above.total))) return pass('discount');
  // Words that name something else than any item: off that, wherever it is.
  const target = named ?? (words.length === 0 || (above && isShareOf(above.total)) ? above : undefined);
  if (!target || /\b\d+ (?:for|fur|pour|per|x) /i.test(plain) || target.total.plus(amount).lte(0)) return pass('discount');
  const line = discounted(target, amount, item);
  // Half a price off without a word of what it is off: likely of something else.
  const much = !named && share === undefined && amount.abs().gt(target.total.times(0.5));
  target.line = much ? { ...line, doubt: `“${item} ${amount.toFixed()}” below it was taken off it` } : line;
}

function discounted({ line, count }: OpenLine, by: Big, words: string): ReceiptLine {
  const price = new Big(line.price).plus(by.div(count)).round(4, Big.roundHalfUp);
  return price.gt(0)
    ? {
        ...line,
        price: price.toFixed(),
        total: new Big(line.total).plus(by).toFixed(),
        promotion: true,
        usual: line.usual ?? line.price,
        note: [line.note, `${words} ${by.toFixed()}`].filter(Boolean).join(', '),
      }
    : line;
}

interface Row {
  readonly row: number;
  readonly item: string;
  readonly text: (target: ReceiptTarget) => string;
  readonly unitPrice: CellMoney | undefined;
  readonly total: CellMoney | undefined;
  readonly perKg: CellMoney | undefined;
  readonly usual: CellMoney | undefined;
  readonly mapping: ReceiptMapping;
  readonly given: GivenOfReceipt;
  readonly headed: string | undefined;
  readonly monthFirst: boolean;
}

function lineOf(of: Row): OpenLine {
  const { row, text, mapping, given } = of;
  const doubts: string[] = text('note') === '' ? [] : [text('note')];
  const { item, count: written, each } = countIn(of.item);
  const size = sizeOf(of, item, doubts);
  const quantity = text('quantity');
  const weighed = weightOf(quantity, mapping.decimal);
  // A till weighs to the gram: three decimals are kilograms, fewer may be anything.
  if (weighed?.assumed && !/[.,]\d{3}$/.test(quantity)) doubts.push(`“${quantity}” has no unit; taken as kilograms`);
  const count = weighed ? 1 : (numberOf(quantity, mapping.decimal) ?? written ?? 1);
  const money = of.unitPrice ?? of.total ?? of.perKg;
  const { currency, doubt } = settled(
    currencyNamed(text('currency')) ?? codeIn(text('currency')) ?? money?.currency ?? of.headed,
    given.currency,
  );
  if (doubt !== undefined) doubts.push(doubt);
  const total = of.total?.amount ?? (of.unitPrice ?? of.perKg)?.amount.times(of.total ? 1 : count) ?? new Big(0);
  const offer = offerOf(of, item);
  const perKgAlone = !of.unitPrice && !of.total && of.perKg !== undefined;
  const held: Pick<ReceiptLine, 'net' | 'unit' | 'price' | 'note'> =
    weighed && of.total
      ? { net: weighed.net, unit: weighed.unit, price: of.total.amount.toFixed(), note: `${weighed.net} ${weighed.unit} weighed` }
      : perKgAlone
        ? { net: 1, unit: 'kg', price: of.perKg?.amount.toFixed() ?? '0', note: 'for a kilogram' }
        : { net: (size ?? weighed)?.net, unit: (size ?? weighed)?.unit, ...priceOf(of, count, each) };
  const line: ReceiptLine = {
    row,
    item,
    ...held,
    count,
    total: total.toFixed(),
    currency,
    shop: text('shop') || given.shop,
    seen: seenOf(of, doubts),
    ...offer,
    ...(doubts.length === 0 ? {} : { doubt: doubts.join('; ') }),
  };
  const words = new Set(
    withoutAccents(item)
      .toLowerCase()
      .split(/[^\p{L}]+/u)
      .filter((word) => word.length > 2),
  );
  return { line, count, total, words };
}

function codeIn(text: string): string | undefined {
  return /^[A-Z]{3}$/.test(text.toUpperCase()) ? text.toUpperCase() : undefined;
}

/** "3 @ 1.20", " x12", "2 x Pitta": a count that stands with the name. */
function countIn(item: string): { readonly item: string; readonly count?: number; readonly each?: Big } {
  const at = /\s(\d{1,3}) ?@ ?[€£$]?(\d{1,4}[.,]\d{2})$/.exec(item);
  if (at) return { item: item.slice(0, at.index).trim(), count: Number(at[1]), each: new Big((at[2] ?? '').replace(',', '.')) };
  const behind = /\s[x×*](\d{1,3})$/i.exec(item);
  if (behind) return { item: item.slice(0, behind.index).trim(), count: Number(behind[1]) };
  const before = /^(\d{1,2}) ?[x×] (?=\p{L})/iu.exec(item);
  return before ? { item: item.slice(before[0].length).trim(), count: Number(before[1]) } : { item };
}

function priceOf({ unitPrice, total }: Row, count: number, each: Big | undefined): Pick<ReceiptLine, 'price' | 'note'> {
  if (each && total && each.times(count).minus(total.amount).abs().lte(0.011))
    return { price: each.toFixed(), note: `${count} for ${moneyText(total.amount)}` };
  if (unitPrice || !total) return { price: (unitPrice?.amount ?? new Big(0)).toFixed(), note: '' };
  const one = count > 1 ? total.amount.div(count).round(4, Big.roundHalfUp) : total.amount;
  return { price: one.toFixed(), note: count > 1 ? `${count} for ${moneyText(total.amount)}` : '' };
}

/** What one holds: by its own columns, else by its name; a name that says two sizes, or begins with a bare number, may mean another. */
function sizeOf({ text }: Row, item: string, doubts: string[]): PackSize | undefined {
  const unit = text('unit');
  const stated = packSizeText(unit === '' ? text('size') : `${text('size')} ${unit}`).size;
  if (stated) return stated;
  const { size, rest } = packSizeText(item);
  const other = size && packSizeText(rest).size;
  const several = /\b\d{1,2} ?(?:er|pack|pk|pcs?)\b/i;
  if (size && ((other && (other.unit === 'piece') !== (size.unit === 'piece')) || (several.test(rest) && size.unit !== 'piece'))) {
    doubts.push('its name says two sizes');
    return undefined;
  }
  const counted = /^(\d{1,3}) (?=\p{L})/u.exec(item);
  if (!size && counted) {
    doubts.push(`“${counted[1] ?? ''}” is taken as pieces in one`);
    return { net: Number(counted[1]), unit: 'piece' };
  }
  return size;
}

function offerOf({ text, usual, unitPrice, mapping }: Row, item: string): Pick<ReceiptLine, 'promotion' | 'usual'> {
  const offer = text('offer');
  const said = /\b(?:was|statt|instead of|avant|antes|prima)\b ?:? ?[€£$]?(\d{1,4}[.,]\d{2})/i.exec(`${offer} ${item}`)?.[1];
  const was = usual?.amount ?? (said === undefined ? undefined : cellMoney(said, mapping.decimal)?.amount);
  const dearer = was !== undefined && (!unitPrice || was.gt(unitPrice.amount));
  return {
    promotion: (offer !== '' && !/^(?:0|no|n|false|nein|non|-)$/i.test(offer)) || (was !== undefined && dearer),
    ...(was !== undefined && dearer ? { usual: was.toFixed() } : {}),
  };
}

function seenOf({ text, given, monthFirst }: Row, doubts: string[]): string {
  const written = text('date');
  if (written === '') return given.seen;
  const day = dateText(written, monthFirst);
  if (day === undefined) {
    doubts.push(`“${written}” is no day; ${given.seen} is taken`);
    return given.seen;
  }
  if (given.today !== undefined && day > given.today) {
    doubts.push(`${written} is yet to come; ${given.seen} is taken`);
    return given.seen;
  }
  return day;
}

/** Weighed goods: "0.412 kg", or a quantity that is no whole number, which can hardly be anything but kilograms. */
function weightOf(
  quantity: string,
  decimal: '.' | ',',
): { readonly net: number; readonly unit: string; readonly assumed?: true } | undefined {
  const { size } = packSizeText(quantity);
  if (size && size.unit !== 'piece') return size;
  const count = numberOf(quantity, decimal);
  return count !== undefined && count > 0 && !Number.isInteger(count) ? { net: count, unit: 'kg', assumed: true } : undefined;
}

function numberOf(text: string, decimal: '.' | ','): number | undefined {
  const bare = text.replace(/[^\d.,-]/g, '');
  const number = Number(decimal === ',' ? bare.replace(/\./g, '').replace(',', '.') : bare.replace(/,/g, ''));
  return bare === '' || !Number.isFinite(number) || number <= 0 ? undefined : number;
}

/** Two decimals, and more where there are more. */
function moneyText(amount: Big): string {
  const exact = amount.toFixed();
  return /\.\d{3}/.test(exact) ? exact : amount.toFixed(2);
}
