import { normalForm } from '../quantity/index.js';
import { cellFigure, columnsOf, decimalOf } from '../table/index.js';

/** What a column of a receipt or price list may hold. `total` is for the line, `price` for one. */
export const RECEIPT_TARGETS = ['item', 'size', 'quantity', 'price', 'total', 'shop', 'date', 'offer'] as const;
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
    /\b(?:item|article|description|product|name|goods|food|artikel|bezeichnung|produkt|ware|article|libelle|produit|articulo|producto|prodotto|descrizione|omschrijving|vara)\b/,
  ],
  ['size', /\b(?:size|weight|net|pack|content|contents|inhalt|menge je|gewicht|poids|contenance|peso|formato|inhoud|volume)\b/],
  ['quantity', /\b(?:qty|quantity|count|number|units|anzahl|menge|quantite|qte|cantidad|quantita|aantal|antal)\b/],
  ['total', /\b(?:total|sum|amount|line total|gesamt|summe|betrag|montant|importe|totale|importo|bedrag|belopp)\b/],
  ['price', /\b(?:price|unit price|each|preis|einzelpreis|prix|prix unitaire|precio|prezzo|prijs|pris)\b/],
  ['shop', /\b(?:shop|store|market|merchant|laden|markt|filiale|magasin|tienda|negozio|winkel|butik)\b/],
  ['date', /\b(?:date|day|seen|datum|tag|jour|fecha|data|dato)\b/],
  ['offer', /\b(?:offer|promotion|promo|deal|angebot|aktion|oferta|offerta|aanbieding|tilbud)\b/],
];

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
    columns.forEach(({ heading }, at) => {
      const bare = normalForm(heading, 'NFD')
        .replace(/[\u0300-\u036f]/g, '')
        .toLowerCase();
      if (headingLines > 0 && found[target] === undefined && words.test(bare) && !Object.values(found).includes(at)) found[target] = at;
    });
  columns.forEach(({ samples }, at) => {
    if (Object.values(found).includes(at) || samples.length === 0) return;
    const looks = lookOf(samples);
    if (looks && found[looks] === undefined && !(looks === 'price' && found.total !== undefined)) found[looks] = at;
  });
  return { headingLines, decimal: decimalOf(rows.slice(headingLines).flat()), columns: found };
}

/** Headings are words only; a receipt may have none. */
function headingsAt(rows: readonly (readonly string[])[]): number {
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
  return /^(?:[€£$]|[A-Z]{3})? ?-?\d{1,6}[.,]\d{2} ?(?:[€£$]|[A-Z]{3})?$/u.test(cell.replace(/\s+/gu, ' ').trim());
}

/**
 * A day as shops write it, ISO: "2026-11-24", "24.11.2026", "24/11/26". Of two ways to read one, the day comes first.
 *
 * @example dateText('24.11.26') // '2026-11-24'
 */
export function dateText(text: string): string | undefined {
  const iso = /^\s*(\d{4})-(\d{1,2})-(\d{1,2})/.exec(text);
  const local = /^\s*(\d{1,2})[./-](\d{1,2})[./-](\d{4}|\d{2})\b/.exec(text);
  const [year, second, third] = iso ? [iso[1], iso[2], iso[3]] : local ? [local[3], local[2], local[1]] : [];
  if (year === undefined || second === undefined || third === undefined) return undefined;
  const [month, day] = Number(second) > 12 && Number(third) <= 12 ? [third, second] : [second, third];
  const full = year.length === 2 ? `20${year}` : year;
  const found = `${full}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`;
  const at = new Date(`${found}T00:00:00Z`);
  return Number.isNaN(at.getTime()) || at.toISOString().slice(0, 10) !== found ? undefined : found;
}
