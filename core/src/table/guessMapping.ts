import { normalForm } from '../quantity/index.js';
import { cellFigure, decimalOf } from './cellFigure.js';
import { HEADING_WORDS } from './headingWords.js';
import { rowBasis } from './rowBasis.js';
import { factorTo, unitInHeading } from './tableUnit.js';
import { isTableNutrient, type ColumnMapping, type TableMapping, type TableTarget, type TableUnit } from './tableTarget.js';

/** Rows looked at to tell headings from foods. */
const LOOKED_AT = 40;

/** A column as it stands over the foods. */
export interface TableColumn {
  /** Its heading lines joined, what is empty left out. */
  readonly heading: string;
  /** Some of its cells. */
  readonly samples: readonly string[];
}

/**
 * How a table is most likely meant: heading lines, decimals, what each column holds. A guess for a person to look over; where two
 * columns could hold the same, the one named most plainly is taken.
 *
 * @param rows the first rows of the table, headings included
 * @param headingLines how many of them are headings, where that is known
 */
export function guessMapping(rows: readonly (readonly string[])[], headingLines = headingLinesOf(rows)): TableMapping {
  const columns = columnsOf(rows, headingLines);
  const body = rows.slice(headingLines);
  return {
    headingLines,
    decimal: decimalOf(body.flat()),
    per: { amount: 100, unit: columns.some(({ heading }) => /100\s*ml\b/i.test(heading)) ? 'ml' : 'g' },
    columns: withBasis(withCode(withName(chosen(columns), columns), columns), columns),
  };
}

/** The columns of a table whose heading takes so many lines. Columns of the same heading are told apart by their place. */
export function columnsOf(rows: readonly (readonly string[])[], headingLines: number): TableColumn[] {
  const width = rows.reduce((most, row) => Math.max(most, row.length), 0);
  const lines = rows.slice(0, headingLines).filter((row) => headingLines === 1 || filled(row) > 1 || row.length <= 2);
  const seen = new Map<string, number>();
  return Array.from({ length: width }, (_, c) => {
    const words = [...new Set(lines.map((row) => tidy(row[c] ?? '')).filter((text) => text !== '' && !/^\d+$/.test(text)))];
    const bare = words.join(' ') || `Column ${c + 1}`;
    const times = (seen.get(bare) ?? 0) + 1;
    seen.set(bare, times);
    return {
      heading: times === 1 ? bare : `${bare} (${times})`,
      samples: rows
        .slice(headingLines, headingLines + LOOKED_AT)
        .map((row) => tidy(row[c] ?? ''))
        .filter((text) => text !== ''),
    };
  });
}

/** Lines above the first food: titles, headings, units, tags, running numbers. */
export function headingLinesOf(rows: readonly (readonly string[])[]): number {
  const width = rows.reduce((most, row) => Math.max(most, filled(row)), 0);
  for (let r = 0; r < Math.min(rows.length, LOOKED_AT); r++) if (isFood(rows[r] ?? [], width)) return r;
  return Math.min(1, rows.length);
}

/** A row of figures with a name among them, not 1, 2, 3 … over the columns. */
function isFood(row: readonly string[], width: number): boolean {
  const cells = row.map(tidy).filter((cell) => cell !== '');
  if (cells.length < Math.min(3, width) || cells.length < width / 4) return false;
  const figures = cells.filter((cell) => /\d/.test(cell) && cellFigure(cell, '.').kind === 'figure');
  const words = cells.filter((cell) => /\p{L}{2}/u.test(cell) && cellFigure(cell, '.').kind !== 'figure');
  const running = figures.length > 2 && figures.every((cell, i) => i === 0 || Number(cell) === Number(figures[i - 1]) + 1);
  return !running && figures.length >= 2 && words.length >= 1 && figures.length >= cells.length * 0.2;
}

/** Columns with what they hold, each target once. */
function chosen(columns: readonly TableColumn[]): ColumnMapping[] {
  const best = new Map<TableTarget, { readonly score: number; readonly column: ColumnMapping }>();
  for (const column of columns) {
    const fit = fitOf(column);
    if (!fit) continue;
    // A number that rows share tells none of them apart.
    if (fit.column.target === 'code' && column.samples.length > 3 && new Set(column.samples).size < 0.6 * column.samples.length) continue;
    // Energy stands in most tables twice; kilocalories are what is cooked by, so they are taken where both are there.
    const before = best.get(fit.column.target);
    if (!before || fit.score > before.score) best.set(fit.column.target, fit);
  }
  return columns.flatMap(({ heading }) =>
    [...best.values()].filter(({ column }) => column.heading === heading).map(({ column }) => column),
  );
}

/** Figures for 100 g of something in the food, not of the food. */
const OF_A_PART = /(?:per|\/|pro|pour)\s*100\s*g(?:rams?)?\s*(?:of\s*)?(?:total\s*)?(?:fa\b|fatty acids?|fat\b|protein|nitrogen|dry|ts\b)/i;

/** What a column most likely holds, and how plainly its heading says so; undefined where it is nothing that is taken. */
export function fitOf({ heading, samples }: TableColumn): { readonly score: number; readonly column: ColumnMapping } | undefined {
  if (OF_A_PART.test(heading)) return undefined;
  const bare = bareOf(heading);
  const figures = samples.filter((cell) => cellFigure(cell, '.').kind === 'figure').length;
  let found: { score: number; column: ColumnMapping } | undefined;
  for (const { target, names, not } of HEADING_WORDS) {
    const length = [...bare.matchAll(names)].reduce((most, [name]) => Math.max(most, name.length), 0);
    if (length === 0 || (not?.test(bare) ?? false)) continue;
    const unit = unitInHeading(heading);
    const fits = !isTableNutrient(target) || factorTo(target, unit) !== undefined;
    // A nutrient's column holds figures, a name's does not.
    const holds = target === 'name' || target === 'otherNames' || target === 'group' ? figures <= samples.length / 2 : true;
    const figured = !isTableNutrient(target) || samples.length === 0 || figures > 0;
    if (target === 'basis' && !mostlyBases(samples)) continue;
    if (!fits || !holds || !figured) continue;
    const score = length / Math.max(length, wordsOf(bare).length) + (unit === 'kcal' ? 1 : 0);
    if (!found || score > found.score) found = { score, column: { heading, target, ...unitKey(target, unit, samples) } };
  }
  return found;
}

/** The unit of a column; a share that is never above 1 is one, not a percentage. */
function unitKey(target: TableTarget, unit: TableUnit | undefined, samples: readonly string[]): { readonly unit?: TableUnit } {
  if (unit !== undefined) return factorTo(target, unit) === undefined ? {} : { unit };
  if (target !== 'edible' && target !== 'refuse') return {};
  const figures = samples.flatMap((text) => {
    const cell = cellFigure(text, decimalOf(samples));
    return cell.kind === 'figure' ? [cell.amount] : [];
  });
  return figures.length > 0 && figures.every((amount) => amount <= 1) ? { unit: '1' } : { unit: '%' };
}

/** Where no column is called a name, the one with the longest and most varied words is. */
function withName(mapped: ColumnMapping[], columns: readonly TableColumn[]): ColumnMapping[] {
  if (mapped.some(({ target }) => target === 'name')) return mapped;
  const taken = new Set(mapped.map(({ heading }) => heading));
  const wordy = columns
    .filter(({ heading }) => !taken.has(heading))
    .map(({ heading, samples }) => ({
      heading,
      letters:
        samples.reduce((sum, text) => sum + (cellFigure(text, '.').kind === 'figure' ? 0 : text.length), 0) / Math.max(1, samples.length),
      varied: new Set(samples).size / Math.max(1, samples.length),
    }))
    .filter(({ letters, varied }) => letters > 3 && varied > 0.5)
    .sort((a, b) => b.letters * b.varied - a.letters * a.varied);
  return wordy[0] ? [{ heading: wordy[0].heading, target: 'name' }, ...mapped] : mapped;
}

/** Where no heading names a code, the first column before the figures that has another short one in every row is it. */
function withCode(mapped: ColumnMapping[], columns: readonly TableColumn[]): ColumnMapping[] {
  if (mapped.some(({ target }) => target === 'code')) return mapped;
  const taken = new Set(mapped.map(({ heading }) => heading));
  const firstFigure = columns.findIndex(({ heading }) => mapped.some((one) => one.heading === heading && isTableNutrient(one.target)));
  const code = columns.slice(0, firstFigure < 0 ? 0 : firstFigure).find(({ heading, samples }) => !taken.has(heading) && areCodes(samples));
  return code ? [{ heading: code.heading, target: 'code' }, ...mapped] : mapped;
}

const CODE = /^\p{L}{0,8}[-_./ ]?\d[\p{L}\d_./-]{0,20}$/u;
/** Fewer rows could all differ by chance. */
const FEWEST_CODES = 5;

function areCodes(samples: readonly string[]): boolean {
  if (samples.length < FEWEST_CODES || new Set(samples).size < samples.length || !samples.every((text) => CODE.test(text))) return false;
  // Amounts differ from row to row too; codes of figures alone have no decimals, and grow or are all as long.
  if (samples.some((text) => /\p{L}/u.test(text))) return true;
  const numbers = samples.map(Number);
  return (
    numbers.every(Number.isInteger) &&
    (numbers.every((number, i) => i === 0 || number > (numbers[i - 1] ?? 0)) ||
      (samples.every(({ length }) => length === samples[0]?.length) && (samples[0]?.length ?? 0) > 3))
  );
}

/** What figures are for, by its cells: a column that says a weight or a volume in every row and nothing else. */
function withBasis(mapped: ColumnMapping[], columns: readonly TableColumn[]): ColumnMapping[] {
  if (mapped.some(({ target }) => target === 'basis')) return mapped;
  const taken = new Set(mapped.map(({ heading }) => heading));
  const basis = columns.find(
    ({ heading, samples }) =>
      !taken.has(heading) && !OTHER_WEIGHT.test(heading) && mostlyBases(samples) && samples.every((text) => BARE_BASIS.test(text)),
  );
  return basis ? [...mapped, { heading: basis.heading, target: 'basis' }] : mapped;
}

/** Weights of a pack, a piece or a helping are not what figures are for, unless somebody says so. */
const OTHER_WEIGHT = /serv|portion|pack|net|weight|size|piece|gewicht|racion|porcion|poids|peso/iu;
const BARE_BASIS = /^(?:per |pro |pour |par )?(?:1 ?kg|100 ?(?:g|ml|gram(?:s|m)?)|1 ?l)(?: |$)/iu;

/** Share of the cells that must say a weight or a volume for a column to say what figures are for: the rest is told row by row. */
const MOSTLY_BASES = 0.8;

function mostlyBases(samples: readonly string[]): boolean {
  const said = samples.filter((text) => /\p{L}/u.test(text) && rowBasis(text, 'g') !== undefined).length;
  return said > 0 && said >= MOSTLY_BASES * samples.length;
}

/** A heading bare of accents, units and punctuation. */
function bareOf(heading: string): string {
  return normalForm(heading, 'NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/ß/g, 'ss')
    .replace(/æ/gi, 'ae')
    .replace(/ø/gi, 'o')
    .replace(/ł/gi, 'l')
    .toLowerCase()
    .replace(/(?:\/|\bper\b|\bpour\b|\bpro\b|\bje\b|\bpor\b)\s*100\s*(?:g|ml)\b/g, ' ')
    .replace(/\(\s*(?:µg|μg|mg|g|kcal|kj|%|ug|mcg|iu)\s*\)/g, ' ')
    .replace(/[^a-z0-9%µ]+/g, ' ')
    .trim();
}

/** The heading's own words, units left out: what a name is measured against. */
function wordsOf(bare: string): string {
  return bare
    .replace(/\b(?:mg|g|ug|µg|mcg|kcal|kj|iu|100|per|ep)\b/g, '')
    .replace(/\s+/g, ' ')
    .trim();
}

function filled(row: readonly string[]): number {
  return row.filter((cell) => tidy(cell) !== '').length;
}

function tidy(cell: string): string {
  return cell.replace(/\s+/g, ' ').trim();
}
