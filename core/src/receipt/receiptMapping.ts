import { normalForm } from '../quantity/index.js';
import { cellFigure, columnsOf, decimalOf } from '../table/index.js';
import { dateText } from './receiptDate.js';
import { TILL_HEADINGS, tillTable } from './tillTable.js';

/** What a column of a receipt or price list may hold. `total` is for the line, `price` for one, `usual` what one cost before. */
export const RECEIPT_TARGETS = [
  'item',
  'size',
  'unit',
  'quantity',
  'price',
  'total',
  'usual',
  'perKg',
  'currency',
  'shop',
  'date',
  'offer',
  'note',
] as const;
export type ReceiptTarget = (typeof RECEIPT_TARGETS)[number];

/** How a receipt is read: lines above the items, decimals, and the place of each thing among the columns. */
export interface ReceiptMapping {
  readonly headingLines: number;
  readonly decimal: '.' | ',';
  readonly columns: { readonly [target in ReceiptTarget]?: number };
}

/** Headings of receipts and price lists, in the languages shops print. */
const WORDS: readonly (readonly [ReceiptTarget, RegExp])[] = [
  [
    'item',
    /\b(?:item|article|description|product|name|goods|food|text|artikel|bezeichnung|produkt|ware|article|libelle|produit|articulo|producto|prodotto|descrizione|omschrijving|vara)\b/,
  ],
  ['perKg', /\b(?:per|pro|je|au|al|prix au|preis je|\/) ?(?:kg|kilo|kilogram)\b|\/ ?kg\b|\bunit price per\b/],
  ['usual', /\b(?:was|old price|before|usual|regular|rrp|statt|bisher|alter preis|ancien|antes|prima|was price)\b/],
  ['currency', /^(?:currency|ccy|wahrung|devise|moneda|valuta|waluta)$/],
  ['unit', /^(?:unit|units|uom|einheit|unite|unidad|unita|eenheid)$/],
  ['size', /\b(?:size|weight|net|pack|content|contents|inhalt|menge je|gewicht|poids|contenance|peso|formato|inhoud|volume)\b/],
  ['quantity', /\b(?:qty|quantity|count|number|units|anzahl|menge|quantite|qte|cantidad|quantita|aantal|antal)\b/],
  ['total', /\b(?:total|sum|amount|line total|gross|brutto|gesamt|summe|betrag|montant|importe|totale|importo|bedrag|belopp)\b/],
  ['price', /\b(?:price|unit price|each|now|preis|einzelpreis|jetzt|prix|prix unitaire|precio|prezzo|prijs|pris)\b/],
  ['shop', /\b(?:shop|store|market|merchant|laden|markt|filiale|magasin|tienda|negozio|winkel|butik)\b/],
  ['date', /\b(?:date|day|seen|datum|tag|jour|fecha|data|dato)\b/],
  ['offer', /\b(?:offer|promotion|promo|deal|angebot|aktion|oferta|offerta|aanbieding|tilbud)\b/],
];

/** Rows as a table, and how they are most likely meant. */
export interface ReceiptTable {
  readonly rows: readonly (readonly string[])[];
  readonly mapping: ReceiptMapping;
  /** The day it says of itself, ISO. */
  readonly seen: string | undefined;
}

/** A receipt as a table: a till's lines are made one, and what is one already is read by its headings. */
export function receiptTable(rows: readonly (readonly string[])[]): ReceiptTable {
  if (rows.some((cells) => cells.filter((cell) => cell.trim() !== '').length > 1))
    return { rows, mapping: guessReceipt(rows), seen: undefined };
  const till = tillTable(rows.map((cells) => cells.join(' ')));
  const at = (heading: (typeof TILL_HEADINGS)[number]) => TILL_HEADINGS.indexOf(heading);
  const columns = {
    item: at('Item'),
    size: at('Size'),
    quantity: at('Quantity'),
    price: at('Price'),
    total: at('Total'),
    note: at('Note'),
  };
  return { rows: till.rows, mapping: { headingLines: 1, decimal: decimalOf(till.rows.slice(1).flat()), columns }, seen: till.seen };
}

/**
 * How a receipt or price list is most likely meant: by its headings, else by what its cells look like.
 *
 * @param rows the first rows, headings included
 */
export function guessReceipt(rows: readonly (readonly string[])[]): ReceiptMapping {
  const headingLines = headingsAt(rows);
  const columns = columnsOf(rows, headingLines);
  const found: { [target in ReceiptTarget]?: number } = {};
  for (const [target, words] of WORDS)
    columns.forEach(({ heading, samples }, at) => {
      const bare = bareHeading(heading);
      // "Net" beside "Gross" is money before tax, and "price" in words is none.
      if (target === 'size' && samples.length > 0 && samples.every(isMoney) && !/weight|size|pack/.test(bare)) return;
      if (headingLines > 0 && found[target] === undefined && words.test(bare) && !Object.values(found).includes(at)) found[target] = at;
    });
  columns.forEach(({ samples }, at) => {
    if (Object.values(found).includes(at) || samples.length === 0) return;
    const looks = lookOf(samples);
    if (looks && found[looks] === undefined && !(looks === 'price' && (found.total !== undefined || found.perKg !== undefined)))
      found[looks] = at;
  });
  return { headingLines, decimal: decimalOf(rows.slice(headingLines).flat()), columns: found };
}

function bareHeading(heading: string): string {
  return normalForm(heading, 'NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .trim();
}

/** Headings are words only; a receipt may have none. */
function headingsAt(rows: readonly (readonly string[])[]): number {
  const named = rows
    .slice(0, 10)
    .findIndex((cells) => WORDS.filter(([, words]) => cells.some((cell) => cell.length < 40 && words.test(bareHeading(cell)))).length >= 2);
  if (named >= 0) return named + 1;
  for (let r = 0; r < Math.min(10, rows.length); r++) {
    const cells = (rows[r] ?? []).filter((cell) => cell.trim() !== '');
    if (cells.length >= 2 && cells.some((cell) => isMoney(cell))) return r;
  }
  return Math.min(1, rows.length);
}

function lookOf(samples: readonly string[]): ReceiptTarget | undefined {
  const share = (is: (cell: string) => boolean) => samples.filter(is).length / samples.length;
  if (share((cell) => dateText(cell) !== undefined) > 0.8) return 'date';
  if (share(isMoney) > 0.7) return 'price';
  if (share((cell) => cellFigure(cell, '.').kind === 'figure') < 0.3 && share((cell) => /\p{L}{3}/u.test(cell)) > 0.7) return 'item';
  return undefined;
}

function isMoney(cell: string): boolean {
  return /^\(?(?:[€£$]|[A-Z]{3})? ?-?(?:\d{1,6}|\d{1,3}(?:[.,]\d{3})+)[.,]\d{2}\)? ?(?:[€£$]|[A-Z]{3})?$/u.test(
    cell.replace(/\s+/gu, ' ').trim(),
  );
}
