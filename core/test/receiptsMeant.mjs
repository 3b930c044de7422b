import { readFileSync } from 'node:fs';

/** Receipts of `receipts/receipts-meant.txt` with what each row is; every second one is the unseen half. */
export function readReceiptsMeant() {
  const blocks = readFileSync(new URL('receipts/receipts-meant.txt', import.meta.url), 'utf8')
    .split(/^== /m)
    .slice(1);
  return blocks.map((block, i) => {
    const [heading = '', ...rest] = block.split('\n');
    const [name = '', ...settings] = heading.split(' @');
    const at = rest.findIndex((line) => line.startsWith('> '));
    const seen = settings.find((one) => one.startsWith('seen '))?.slice('seen '.length) ?? '2026-11-29';
    return {
      name,
      text: rest.slice(0, at).join('\n'),
      given: { shop: '', seen, currency: 'EUR', today: seen },
      rows: rest.filter((line) => line.startsWith('> ')).map(expectedOf),
      unseen: i % 2 === 1,
    };
  });
}

function expectedOf(line) {
  const pass = /^> pass (\w+) (.*)$/.exec(line);
  if (pass) return { pass: pass[1], item: pass[2].trim() };
  const [item = '', size = '', price = '', ...more] = line
    .slice('> good '.length)
    .split(';')
    .map((one) => one.trim());
  const of = (key) => more.find((one) => one.startsWith(`${key} `))?.slice(key.length + 1);
  const currency = more.find((one) => /^[A-Z]{3}\??$/.test(one));
  return { item, size, price, seen: of('seen'), shop: of('shop'), usual: of('usual'), promo: more.includes('promo'), currency };
}

/** Rows of a text as the server hands them on: a till's lines whole, a table's by its delimiter. */
export function rowsOfText(text, { isTill, delimiterOf, quoteOf }) {
  const lines = text.split('\n');
  if (isTill(text)) return lines.map((line) => [line]);
  const quote = quoteOf(text);
  const delimiter = delimiterOf(text, quote);
  return lines.map((line) => cellsOf(line, delimiter, quote));
}

function cellsOf(line, delimiter, quote) {
  const cells = [''];
  let inside = false;
  for (const letter of line) {
    if (letter === quote && (inside || cells.at(-1) === '')) inside = !inside;
    else if (letter === delimiter && !inside) cells.push('');
    else cells[cells.length - 1] += letter;
  }
  return cells;
}

const GRAMS = { kg: ['g', 1000], g: ['g', 1], l: ['ml', 1000], ml: ['ml', 1] };
const sizeText = (net, unit) => {
  const [base, times] = GRAMS[unit] ?? [unit, 1];
  return `${Number((net * times).toPrecision(9))} ${base}`;
};

/** How the rows of a receipt fare: each right or not, and whether what is wrong was said to be in doubt. */
export function receiptFares(expected, read) {
  const faults = [];
  let silent = 0;
  let right = 0;
  const goods = expected.filter(({ pass }) => pass === undefined);
  const passes = expected.filter(({ pass }) => pass !== undefined);
  const lines = [...read.lines];
  for (const meant of goods) {
    const at = lines.findIndex(({ item }) => item === meant.item);
    if (at < 0) {
      faults.push(`${meant.item} is not there`);
      continue;
    }
    const [line] = lines.splice(at, 1);
    const wrong = goodFaults(meant, line);
    if (wrong.length === 0) right++;
    else {
      faults.push(`${meant.item}: ${wrong.join(', ')}`);
      if (line.doubt === undefined) silent++;
    }
  }
  for (const extra of lines) {
    faults.push(`${extra.item} ${extra.price} is no price`);
    if (extra.doubt === undefined) silent++;
  }
  const passed = [...read.passed];
  for (const meant of passes) {
    const at = passed.findIndex(({ item, kind }) => item === meant.item && kind === meant.pass);
    if (at < 0)
      faults.push(
        `${meant.item} is not passed over as ${meant.pass}: ${passed.find(({ item }) => item === meant.item)?.kind ?? 'nothing'}`,
      );
    else {
      right++;
      passed.splice(at, 1);
    }
  }
  return { rows: expected.length, right, silent, faults };
}

function goodFaults(meant, line) {
  const wrong = [];
  const openly = (text) => text.endsWith('?');
  const size = line.net === undefined ? '?' : sizeText(line.net, line.unit);
  const [net, unit] = meant.size.split(' ');
  if (meant.size === '?' ? line.net !== undefined && line.doubt === undefined : size !== sizeText(Number(net), unit))
    wrong.push(`${size} for ${meant.size}`);
  if (Math.abs(Number(line.price) - Number(meant.price.replace('?', ''))) > 0.0001) wrong.push(`${line.price} for ${meant.price}`);
  if (openly(meant.price) && line.doubt === undefined) wrong.push('is to be doubted');
  if (meant.promo !== line.promotion) wrong.push(meant.promo ? 'is an offer' : 'is no offer');
  if ((meant.usual ?? '') !== '' && Number(meant.usual) !== Number(line.usual)) wrong.push(`usual ${line.usual} for ${meant.usual}`);
  const currency = meant.currency ?? 'EUR';
  if (line.currency !== currency.replace('?', '')) wrong.push(`${line.currency} for ${currency}`);
  if (openly(currency) && line.doubt === undefined) wrong.push('its currency is to be doubted');
  if (meant.seen === '?' ? line.doubt === undefined : meant.seen !== undefined && line.seen !== meant.seen)
    wrong.push(`seen ${line.seen} for ${meant.seen}`);
  if (meant.shop !== undefined && line.shop !== meant.shop) wrong.push(`shop ${line.shop} for ${meant.shop}`);
  return wrong;
}
