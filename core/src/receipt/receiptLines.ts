import { normalForm } from '../quantity/index.js';
import Big from 'big.js';
import type { Food } from '../food/index.js';
import { bestPack, candidatePacks, packGrams, type CandidatePack, type Pack, type PriceSettings } from '../price/index.js';
import { FoodIndex, SURE_ENOUGH } from '../match/index.js';
import { searchWords } from '../text/index.js';
import { packSizeText } from './packSize.js';
import { dateText, type ReceiptMapping } from './receiptMapping.js';

/** A line of a receipt or price list as a price seen, without a food yet. */
export interface ReceiptLine {
  /** From 1, as a spreadsheet counts. */
  readonly row: number;
  /** As the shop prints it. */
  readonly item: string;
  readonly net: number | undefined;
  readonly unit: string | undefined;
  /** Of one pack, major units, exact. */
  readonly price: string;
  readonly shop: string;
  readonly seen: string;
  readonly promotion: boolean;
  /** Of an offer: what it would have cost without, where the receipt says so. */
  readonly usual?: string;
  /** What was made of the line, where it was not plain: "3 for 5.00". */
  readonly note: string;
}

/** A row that is no price, and why. */
export interface PassedRow {
  readonly row: number;
  readonly item: string;
  readonly why: string;
}

export interface ReadReceipt {
  readonly lines: readonly ReceiptLine[];
  readonly passed: readonly PassedRow[];
}

/** Rows that sum up, or say how it was paid. */
const NO_GOODS =
  /^\W*(?:sub\s?total|total|sum|summe|zwischensumme|gesamt|balance|amount due|to pay|zu zahlen|a payer|cash|card|change|bar|ruckgeld|wechselgeld|vat|tax|mwst|ust|tva|iva|btw|moms|deposit|pfand|bag|carrier bag|tragetasche|points|bonus|rounding)\b/i;
const DISCOUNT = /discount|offer|promo|deal|saving|off\b|coupon|rabatt|aktion|angebot|nachlass|remise|descuento|sconto|korting/i;

/**
 * Reads a receipt or price list row by row. Money stays exact: a line of several is divided by its count, weighed goods are a
 * pack of what they weighed, a discount below a line is taken off it and makes it an offer. Totals and payments are passed over.
 *
 * @param given shop and day for rows that do not say them
 */
export function receiptLines(
  rows: readonly (readonly string[])[],
  mapping: ReceiptMapping,
  given: { readonly shop: string; readonly seen: string },
): ReadReceipt {
  const lines: ReceiptLine[] = [];
  const passed: PassedRow[] = [];
  rows.forEach((cells, i) => {
    if (i < mapping.headingLines || cells.every((cell) => cell.trim() === '')) return;
    const text = (target: keyof ReceiptMapping['columns']) => {
      const at = mapping.columns[target];
      return at === undefined ? '' : (cells[at] ?? '').replace(/\s+/g, ' ').trim();
    };
    const item = text('item');
    const pass = (why: string) => passed.push({ row: i + 1, item, why });
    if (item === '') return pass('no name');
    const plain = normalForm(item, 'NFD').replace(/[\u0300-\u036f]/g, '');
    if (NO_GOODS.test(plain)) return pass('sums up, or pays');
    const [unitPrice, total] = [moneyOf(text('price'), mapping.decimal), moneyOf(text('total'), mapping.decimal)];
    const amount = total ?? unitPrice;
    if (!amount) return pass('no price');
    if (amount.lt(0)) {
      const before = lines.pop();
      if (!before || !(DISCOUNT.test(plain) || before.row === i)) return pass('below nothing, and no discount');
      lines.push(discounted(before, amount, item));
      return;
    }
    if (amount.eq(0)) return pass('free');
    lines.push(
      lineOf({
        row: i + 1,
        item,
        size: text('size'),
        quantity: text('quantity'),
        unitPrice,
        total,
        mapping,
        offer: text('offer'),
        shop: text('shop') || given.shop,
        seen: dateText(text('date')) ?? given.seen,
      }),
    );
  });
  return { lines, passed };
}

interface Row {
  readonly row: number;
  readonly item: string;
  readonly size: string;
  readonly quantity: string;
  readonly unitPrice: Big | undefined;
  readonly total: Big | undefined;
  readonly mapping: ReceiptMapping;
  readonly offer: string;
  readonly shop: string;
  readonly seen: string;
}

function lineOf({ row, item, size, quantity, unitPrice, total, mapping, offer, shop, seen }: Row): ReceiptLine {
  const stated = packSizeText(size).size ?? packSizeText(item).size;
  const weighed = weightOf(quantity, mapping.decimal);
  const count = weighed ? 1 : (numberOf(quantity, mapping.decimal) ?? 1);
  const promotion = offer !== '' && !/^(?:0|no|n|false|nein|non)$/i.test(offer);
  const base = { row, item, shop, seen, promotion };
  if (weighed && total) return { ...base, ...weighed, price: total.toFixed(), note: `${weighed.net} ${weighed.unit} weighed` };
  if (unitPrice || !total) return { ...base, net: stated?.net, unit: stated?.unit, price: (unitPrice ?? new Big(0)).toFixed(), note: '' };
  const each = count > 1 ? total.div(count).round(4, Big.roundHalfUp) : total;
  return { ...base, net: stated?.net, unit: stated?.unit, price: each.toFixed(), note: count > 1 ? `${count} for ${total.toFixed()}` : '' };
}

function discounted(line: ReceiptLine, by: Big, words: string): ReceiptLine {
  const price = new Big(line.price).plus(by);
  return price.gt(0)
    ? {
        ...line,
        price: price.toFixed(),
        promotion: true,
        usual: line.usual ?? line.price,
        note: [line.note, `${words} ${by.toFixed()}`].filter(Boolean).join(', '),
      }
    : line;
}

/** Weighed goods: "0.412 kg", or a quantity that is no whole number, which can only be kilograms. */
function weightOf(quantity: string, decimal: '.' | ','): { readonly net: number; readonly unit: string } | undefined {
  const { size } = packSizeText(quantity);
  if (size && size.unit !== 'piece') return size;
  const count = numberOf(quantity, decimal);
  return count !== undefined && count > 0 && !Number.isInteger(count) ? { net: count, unit: 'kg' } : undefined;
}

function numberOf(text: string, decimal: '.' | ','): number | undefined {
  const bare = text.replace(/[^\d.,-]/g, '');
  const number = Number(decimal === ',' ? bare.replace(/\./g, '').replace(',', '.') : bare.replace(/,/g, ''));
  return bare === '' || !Number.isFinite(number) || number <= 0 ? undefined : number;
}

/** Money in a cell: "€ 1.45", "1,45 EUR", "-0.50", "0.50-". */
function moneyOf(text: string, decimal: '.' | ','): Big | undefined {
  const found = /(-|−)? ?(?:[€£$]|[A-Z]{3})? ?(-|−)? ?(\d[\d.,' ]*)(-|−)?/u.exec(text.replace(/\s+/gu, ' '));
  if (!found) return undefined;
  const digits = (found[3] ?? '').replace(/[' ]/g, '').replace(/[.,]$/, '');
  const bare =
    decimal === ',' && /,\d{1,4}$|^\d+$|\.\d{3}/.test(digits)
      ? digits.replace(/\./g, '').replace(',', '.')
      : digits.replace(/,(?=\d{3}\b)/g, '').replace(',', '.');
  if (!/^\d+(?:\.\d+)?$/.test(bare)) return undefined;
  const money = new Big(bare);
  return found[1] || found[2] || found[4] ? money.times(-1) : money;
}

/** How a shop's words came to a food. */
export type MatchedBy = 'remembered' | 'words' | undefined;

/** A receipt's line with the food it is most likely of, and how its price stands to what is paid now. */
export interface MatchedLine {
  readonly line: ReceiptLine;
  readonly food: Food | undefined;
  readonly by: MatchedBy;
  /** Of one pack; undefined where the size or the food's weight is not known. */
  readonly grams: number | undefined;
  /** The food's best current pack, which the price is held against. */
  readonly now: CandidatePack | undefined;
  /** Major units a kilogram; undefined where the size or the food's weight is not known. */
  readonly perKg: number | undefined;
  /** The price a kilogram over that of the food's best current pack, less 1: 0.2 is a fifth dearer. */
  readonly change: number | undefined;
  /** Too far from before to be believed: most often the size is another. */
  readonly doubtful: boolean;
}

/** Words of shops that say nothing about the food: how it is sold, and how good it is meant to be. */
const SALES =
  /\b(?:loose|lose|organic|bio|eco|fresh|frisch|class\s*(?:i{1,2}|1|2)|cat\s*(?:1|2)|tin|tins|can|cans|dose|jar|bunch|bund|pack|packet|pkt|bag|btl|bottle|punnet|net|tray|value|own brand|large|medium|small|kl|ea|each)\b/gi;

/** The words of an item that name a food. */
export function foodWords(item: string): string {
  const bare = packSizeText(item).rest;
  const named = bare.replace(SALES, ' ').replace(/\s+/g, ' ').trim();
  return named === '' ? bare : named;
}

/** What a shop calls something, bare of size, case and accents: what a choice of food is remembered by. */
export function itemKey(item: string): string {
  return searchWords(packSizeText(item).rest).join(' ');
}

const DOUBTFUL_TIMES = 3;

/**
 * Finds each line's food: the one remembered for the shop's words, else the nearest by name.
 *
 * @param remembered food by `itemKey`
 * @param packsOf packs of a food, to hold the price against
 */
export function matchedLine(
  line: ReceiptLine,
  foods: ReadonlyMap<string, Food>,
  index: FoodIndex,
  remembered: ReadonlyMap<string, string>,
  packsOf: (food: string) => readonly Pack[],
  settings: PriceSettings,
): MatchedLine {
  const known = foods.get(remembered.get(itemKey(line.item)) ?? '');
  const [near] = known ? [] : index.find(foodWords(line.item), 1);
  const food = known ?? (near && near.score >= SURE_ENOUGH ? near.food : undefined);
  const by = known ? 'remembered' : food ? 'words' : undefined;
  return { line, food, by, ...standing(line, food, packsOf, settings) };
}

/** How a line's price stands to the food's best current pack. */
export function standing(
  { net, unit, price }: Pick<ReceiptLine, 'net' | 'unit' | 'price'>,
  food: Food | undefined,
  packsOf: (food: string) => readonly Pack[],
  settings: PriceSettings,
): Pick<MatchedLine, 'grams' | 'now' | 'perKg' | 'change' | 'doubtful'> {
  const grams = food && net !== undefined && unit !== undefined ? packGrams({ net, unit }, food) : undefined;
  if (!food || !grams || grams <= 0) return { grams: undefined, now: undefined, perKg: undefined, change: undefined, doubtful: false };
  const perKg = (Number(price) / grams) * 1000;
  const now = bestPack(candidatePacks(food, packsOf(food.id), settings));
  if (!now || now.perKg === 0) return { grams, now, perKg, change: undefined, doubtful: false };
  const times = perKg / now.perKg;
  return { grams, now, perKg, change: times - 1, doubtful: times > DOUBTFUL_TIMES || times < 1 / DOUBTFUL_TIMES };
}
