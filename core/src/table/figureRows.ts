import { cellFigure } from './cellFigure.js';
import { fitOf, type TableColumn } from './guessMapping.js';
import { unitInCell, unitInHeading } from './tableUnit.js';
import { isTableNutrient, type FigureRows, type TableUnit } from './tableTarget.js';

/** Headings that speak of a figure, not of the food it is of. */
const OF_THE_FIGURE =
  /nutrient|component|constituent|parameter|analyt|tagname|n[äa]hrstoff|stoff|nutriment|constituant|nutriente|componente|n[äa]rings|n[æa]rings|ravinto|\bunit|\bvalue|\bmethod/i;
const VALUE_HEADING =
  /(?<![a-z])(?:value|amount|content|mean|average|level|result|wert|gehalte?|menge|valeur|teneur|valor|contenido|contenuto|valore|waarde|v[äa]rde|m[æa]ngde|indhold|innhold|ilo[śs][ćc]|pitoisuus|resval)(?![a-z])/i;
/** So many headings that are nutrients' own names, and the table has a column for each. */
const WIDE = 3;
/** Share of the cells that must be names of nutrients, figures or units for a column to hold such. */
const MOSTLY = 0.4;

/**
 * Whether a table has a row for each figure, and then which columns say what. A guess for a person to look over.
 *
 * @returns undefined where each food has one row
 */
export function guessFigureRows(columns: readonly TableColumn[]): FigureRows | undefined {
  if (columns.filter(isNutrientColumn).length >= WIDE) return undefined;
  const figure = most(columns, ({ samples }) => share(samples, namesNutrient));
  if (!figure) return undefined;
  const unit = most(without(columns, figure), ({ samples }) => share(samples, (cell) => unitInCell(cell) !== undefined));
  const value = most(without(columns, figure, unit), ({ heading, samples }) => {
    const figures = share(samples, isFigure);
    return figures < MOSTLY ? 0 : figures + (VALUE_HEADING.test(heading) ? 2 : 0) + share(samples, (cell) => /\d[.,]\d/.test(cell));
  });
  if (!value) return undefined;
  const food = foodColumn(without(columns, figure, unit, value).filter(({ heading }) => !OF_THE_FIGURE.test(heading)));
  if (!food) return undefined;
  return { food: food.heading, figure: figure.heading, value: value.heading, ...(unit ? { unit: unit.heading } : {}) };
}

function foodColumn(columns: readonly TableColumn[]): TableColumn | undefined {
  const fitted = columns.map((column) => ({ column, fit: fitOf(column) }));
  const best = (target: 'code' | 'name') =>
    fitted.filter(({ fit }) => fit?.column.target === target).sort((a, b) => (b.fit?.score ?? 0) - (a.fit?.score ?? 0))[0]?.column;
  return best('code') ?? best('name') ?? columns.find(({ samples }) => share(samples, (cell) => /\p{L}{3}/u.test(cell)) > MOSTLY);
}

function isNutrientColumn(column: TableColumn): boolean {
  const fit = fitOf(column);
  return fit !== undefined && isTableNutrient(fit.column.target);
}

function namesNutrient(cell: string): boolean {
  if (!/\p{L}/u.test(cell) || cell.length > 60) return false;
  return isNutrientColumn({ heading: cell, samples: [] });
}

function isFigure(cell: string): boolean {
  return /\d/.test(cell) && cellFigure(cell, '.').kind === 'figure';
}

function share(samples: readonly string[], holds: (cell: string) => boolean): number {
  return samples.length === 0 ? 0 : samples.filter(holds).length / samples.length;
}

/** The column that scores most, if any scores enough. */
function most(columns: readonly TableColumn[], score: (column: TableColumn) => number): TableColumn | undefined {
  const scored = columns.map((column) => ({ column, score: score(column) })).filter((one) => one.score >= MOSTLY);
  return scored.sort((a, b) => b.score - a.score)[0]?.column;
}

function without(columns: readonly TableColumn[], ...taken: readonly (TableColumn | undefined)[]): TableColumn[] {
  return columns.filter((column) => !taken.includes(column));
}

const MASSES: ReadonlySet<TableUnit> = new Set(['g', 'mg', 'ug']);

/** A food whose figures stood in rows of their own, as one row. */
export interface GatheredRow {
  readonly cells: readonly string[];
  /** Of its first row, from 1. */
  readonly number: number;
  /** Headings of figures that came more than once; the first that says something is taken. */
  readonly twice: readonly string[];
}

/** Which of what is gathered is kept: all, or only columns of these headings, and cells of no more than so many foods. */
export interface Keeping {
  readonly headings?: ReadonlySet<string>;
  readonly foods?: number;
}

/**
 * Gathers the rows of each food into one, a column for each figure and unit: the table as it would be had it a row a food.
 * Rows of a food need not stand together.
 *
 * @throws RangeError where a column is not in the headings
 */
export class GatheredFoods {
  readonly #at: { readonly food: number; readonly figure: number; readonly value: number; readonly unit: number };
  readonly #kept: readonly number[];
  readonly #columns = new Map<string, number>();
  readonly #named = new Map<string, { readonly heading: string; readonly unit: string }>();
  readonly #foods = new Map<string, { cells: string[]; number: number; twice: string[] }>();

  constructor(
    headings: readonly string[],
    rows: FigureRows,
    private readonly keeping: Keeping = {},
  ) {
    const at = (heading: string) => {
      const place = headings.indexOf(heading);
      if (place < 0) throw new RangeError(`this table has no column “${heading}”`);
      return place;
    };
    this.#at = { food: at(rows.food), figure: at(rows.figure), value: at(rows.value), unit: rows.unit === undefined ? -1 : at(rows.unit) };
    const own = new Set([this.#at.figure, this.#at.value, this.#at.unit]);
    this.#kept = headings.flatMap((heading, i) => (own.has(i) ? [] : this.#columns.set(heading, this.#columns.size) && [i]));
  }

  /** Headings of the gathered table: the food's own columns, then its figures as they came up. */
  get headings(): readonly string[] {
    return [...this.#columns.keys()];
  }

  get rows(): readonly GatheredRow[] {
    return [...this.#foods.values()];
  }

  /** How many figures the table has names for. */
  get figures(): number {
    return this.#columns.size - this.#kept.length;
  }

  /** Takes one row in; one without a food or a figure's name says nothing. */
  add(cells: readonly string[], number: number): void {
    const cell = (at: number) => (cells[at] ?? '').replace(/\s+/g, ' ').trim();
    const [food, figure] = [cell(this.#at.food), cell(this.#at.figure)];
    if (food === '' || figure === '') return;
    const unit = this.#at.unit < 0 ? '' : cell(this.#at.unit);
    const { heading, unit: headingUnit } = this.#headingOf(figure, unit);
    const column = this.#columnOf(heading);
    let row = this.#foods.get(food);
    if (!row) {
      if (this.keeping.foods !== undefined && this.#foods.size >= this.keeping.foods) return;
      row = { cells: this.#kept.map((at) => cells[at] ?? ''), number, twice: [] };
      this.#foods.set(food, row);
    }
    if (this.keeping.headings && !this.keeping.headings.has(heading)) return;
    const [before, bare] = [row.cells[column] ?? '', cell(this.#at.value)];
    // Another unit of mass than the column's stands behind its figure, as any cell may have it.
    const value = bare === '' || unit === headingUnit ? bare : `${bare} ${unit}`;
    if (before === '') row.cells[column] = value;
    else if (value !== '' && value !== before) row.twice.push(heading);
  }

  /** Milligrams and grams of one figure share a column; kilocalories and kilojoules do not, they are two ways to say it. */
  #headingOf(figure: string, unit: string): { readonly heading: string; readonly unit: string } {
    if (unit === '' || unitInHeading(figure) !== undefined) return { heading: figure, unit };
    const read = unitInHeading(unit);
    const key = `${figure}\t${read !== undefined && MASSES.has(read) ? 'mass' : unit}`;
    const known = this.#named.get(key);
    if (known) return known;
    const named = { heading: `${figure} (${unit})`, unit };
    this.#named.set(key, named);
    return named;
  }

  #columnOf(heading: string): number {
    const known = this.#columns.get(heading);
    if (known !== undefined) return known;
    this.#columns.set(heading, this.#columns.size);
    return this.#columns.size - 1;
  }
}
