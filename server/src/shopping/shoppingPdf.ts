import PDFDocument from 'pdfkit';
import type { Face, Food, Shopping } from '@portiona/core';
import { fontsOf, type CardFont } from '../sheets/fontChain.js';

/** Points. */
const PAGE = { size: 'A4', margin: 42 } as const;
const WIDTH = 595.28 - 2 * PAGE.margin;
const [TITLE, HEAD, LINE] = [20, 14, 10.5];
const INK = '#241a26';
const QUIET = '#5c5460';

/** A shopping list to take along on paper: shop by shop, aisle by aisle, a box to tick before each thing. */
export function shoppingPdf(
  { rows, unmatched, shops, total, atLeast }: Shopping,
  foods: ReadonlyMap<string, Food>,
  currency: string,
  title: string,
): Promise<Buffer> {
  const pdf = new PDFDocument({
    ...PAGE,
    lang: 'en',
    displayTitle: true,
    info: { Title: title, Creator: 'Portiona', Producer: 'Portiona' },
  });
  const chunks: Buffer[] = [];
  pdf.on('data', (chunk: Buffer) => chunks.push(chunk));
  const ended = new Promise<Buffer>((resolve, reject) => {
    pdf.on('end', () => resolve(Buffer.concat(chunks)));
    pdf.on('error', reject);
  });
  const money = (amount: { toFixed: (places: number) => string }) => `${amount.toFixed(2)} ${currency}`;
  const nameOf = (food: string) => foods.get(food)?.name ?? food;
  const inFace = (face: Face, text: string) => pdf.font(fontFor(face, text).bytes);
  const room = (points: number) => {
    if (pdf.y + points > pdf.page.height - PAGE.margin) pdf.addPage();
  };
  const line = (text: string, right: string, note = '', box = true) => {
    room(LINE * 2.6);
    const { y } = pdf;
    if (box)
      pdf
        .rect(PAGE.margin, y + 1, LINE - 1, LINE - 1)
        .lineWidth(0.8)
        .strokeColor(QUIET)
        .stroke();
    const left = PAGE.margin + (box ? LINE + 8 : 0);
    inFace('sans', text)
      .fontSize(LINE)
      .fillColor(INK)
      .text(text, left, y, { width: WIDTH - 90 - (left - PAGE.margin) });
    const below = pdf.y;
    inFace('sansBold', right).text(right, PAGE.margin + WIDTH - 84, y, { width: 84, align: 'right' });
    pdf.y = Math.max(below, pdf.y);
    if (note !== '')
      inFace('sans', note)
        .fontSize(8.5)
        .fillColor(QUIET)
        .text(note, left, pdf.y, { width: WIDTH - 90 });
    pdf.y += 5;
    pdf.x = PAGE.margin;
  };
  const head = (text: string) => {
    room(60);
    pdf.y += 8;
    inFace('serifBold', text).fontSize(HEAD).fillColor(INK).text(text, PAGE.margin, pdf.y, { width: WIDTH });
    pdf.y += 4;
  };
  inFace('serifBold', title).fontSize(TITLE).fillColor(INK).text(title, { width: WIDTH });
  for (const shop of shops) {
    head(shop);
    const here = rows.flatMap((row) =>
      (row.mix?.packs ?? [])
        .filter(({ candidate }) => candidate.pack.shop === shop)
        .map(({ candidate: { pack, price }, count }) => ({ row, pack, price, count, aisle: foods.get(row.food)?.aisle ?? '~' })),
    );
    here.sort((a, b) => (a.aisle < b.aisle ? -1 : a.aisle > b.aisle ? 1 : nameOf(a.row.food) < nameOf(b.row.food) ? -1 : 1));
    for (const { row, pack, price, count } of here)
      line(
        `${nameOf(row.food)}, ${count > 1 ? `${count} × ` : ''}${pack.net} ${pack.unit}`,
        money(price.times(count)),
        row.left >= 0.5 ? `${row.left.toFixed(0)} g over` : '',
      );
  }
  const there = rows.filter(({ stock = 0 }) => stock > 0);
  if (there.length > 0) head('From stock');
  for (const row of there) line(nameOf(row.food), `${(row.stock ?? 0).toFixed(0)} g`, '', false);
  const unknown = rows.filter((row) => row.cost === undefined);
  if (unknown.length + unmatched.length > 0) head('To look at');
  for (const row of unknown)
    line(
      nameOf(row.food),
      row.buy === undefined ? '' : `${row.buy.toFixed(0)} g`,
      row.buy === undefined ? 'a line of it has no weight' : 'no price that counts',
    );
  for (const { text } of unmatched) line(text, '', 'no food: nothing is bought for it');
  head(`${atLeast ? 'At least ' : ''}${money(total)}`);
  pdf.end();
  return ended;
}

/** The first font of a face that has every letter of a text; else the last, which has most. */
function fontFor(face: Face, text: string): CardFont {
  const fonts = fontsOf(face);
  const whole = fonts.find(({ font }) => [...text].every((letter) => font.hasGlyphForCodePoint(letter.codePointAt(0) ?? 32)));
  const found = whole ?? fonts.at(-1);
  if (!found) throw new Error('there are no fonts to write with');
  return found;
}
