import { nutrientName, unitOf, type Nutrient, type PrintedBasis } from '../food/index.js';
import type { LabelBasis } from './labelBases.js';
import type { LabelRow, LabelSection } from './labelRows.js';
import type { Figure } from './labelTokens.js';

export type Printed = Nutrient | 'salt';

/** One figure of one column, in the unit of the kitchen file. */
export interface LabelValue {
  readonly value: number;
  readonly figure: Figure;
  /** As it is named on the label. */
  readonly named: string;
  /** No unit was written with it or with its name. */
  readonly bare: boolean;
  /** Its name is spelt as no label spells it. */
  readonly misspelt: boolean;
  /** What is to be said of how it was read, where it was not plain. */
  readonly doubt?: string;
  /** Energy without a unit: it may be either. */
  readonly eitherEnergy?: true;
}

/** A column of figures and what it is for. */
export interface LabelColumn {
  readonly basis: LabelBasis | undefined;
  readonly values: ReadonlyMap<Printed, LabelValue>;
}

const GRAMS: Readonly<Record<string, number>> = { g: 1, mg: 1e-3, µg: 1e-6, μg: 1e-6, mcg: 1e-6, ug: 1e-6 };
/** Micrograms of vitamin D in an international unit. */
const UG_PER_IU = 0.025;

/** The columns of a section, in order; a section without headings has one. */
export function labelColumns({ rows, bases }: LabelSection): readonly LabelColumn[] {
  const kept = rows.filter(({ word }) => word !== 'other');
  const widths = kept.map(({ figures }) => figures.length);
  const width = mostCommon(widths);
  const headings = bases.filter(({ kind }) => kind !== 'percent');
  // Percentages without their sign are a column like the others.
  const withPercent = distinct(bases);
  const distinctHeadings = distinct(headings);
  const places = width > distinctHeadings.length && width <= withPercent.length ? withPercent : distinctHeadings;
  const columns: LabelColumn[] = [];
  for (let c = 0; c < Math.max(1, width); c++) {
    const basis = width <= 1 ? onlyBasis(kept, headings) : places[c];
    if (basis?.kind === 'percent') continue;
    const values = new Map<Printed, LabelValue>();
    for (const row of kept) {
      const value = valueOf(row, c, width);
      if (value && !values.has(value[0])) values.set(...value);
    }
    columns.push({ basis, values });
  }
  return columns;
}

function mostCommon(widths: readonly number[]): number {
  const counts = new Map<number, number>();
  for (const width of widths) counts.set(width, (counts.get(width) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1] || b[0] - a[0])[0]?.[0] ?? 1;
}

/** Headings, each column once: where it is named first. */
function distinct(bases: readonly LabelBasis[]): LabelBasis[] {
  const seen = new Set<string>();
  return bases.filter(({ kind, per, prepared }) => {
    const key = per ? `${per.amount} ${per.unit} ${prepared}` : kind;
    return !seen.has(key) && seen.add(key);
  });
}

/** Of several headings over one column: the last before its figures, else the first behind. */
function onlyBasis(rows: readonly LabelRow[], bases: readonly LabelBasis[]): LabelBasis | undefined {
  const amounts = bases.filter(({ kind }) => kind === 'amount');
  const first = Math.min(...rows.filter(({ word }) => word !== 'energy').map(({ figures, name }) => name?.at ?? figures[0]?.at ?? 0));
  const before = amounts.filter(({ at }) => at < first);
  const basis = before.at(-1) ?? amounts[0];
  const others = before.filter(({ per }) => per?.amount !== basis?.per?.amount || per?.unit !== basis?.per?.unit);
  if (!basis || others.length === 0 || basis.doubt !== undefined) return basis;
  const figuresBetween = rows.some(({ figures }) => figures.some(({ at }) => at > (others.at(-1)?.at ?? 0) && at < basis.at));
  return figuresBetween ? basis : { ...basis, doubt: 'Two bases are named over one column of figures; the last one was taken.' };
}

function valueOf(row: LabelRow, column: number, width: number): readonly [Printed, LabelValue] | undefined {
  const printed = printedOf(row);
  const figure = row.figures[Math.min(column, row.figures.length - 1)];
  if (!figure || !printed) return undefined;
  const meant = unitOf(printed);
  const named = row.name?.text.replace(/\s+/g, ' ') ?? 'Energy';
  const written = figure.unit || (row.figures[0]?.unit ?? '') || (row.name?.unit ?? '');
  const energy = printed === 'energyKcal' || printed === 'energyKj';
  const ratio = energy || written === '' ? 1 : ratioOf(written, meant);
  if (Number.isNaN(ratio)) return undefined;
  const short = row.figures.length < width && width > 1;
  return [
    printed,
    {
      value: Number((figure.amount * ratio).toPrecision(12)),
      figure,
      named,
      bare: energy ? row.unit === '' : written === '',
      misspelt: row.name?.misspelt ?? false,
      ...(energy && row.unit === '' ? { eitherEnergy: true as const } : {}),
      ...(width === 1 && !energy && row.figures.length > 1
        ? { doubt: `${nutrientName(printed)} has ${row.figures.length} figures where others have one; the first was taken.` }
        : {}),
      ...(short && row.figures.length === 1 && column > 0
        ? { doubt: `${nutrientName(printed)} has one figure where others have ${width}: which column it is of is not sure.` }
        : {}),
    },
  ];
}

function printedOf({ word, unit }: LabelRow): Printed | undefined {
  if (word === 'other') return undefined;
  return word === 'energy' ? (unit === 'kj' ? 'energyKj' : 'energyKcal') : word;
}

function ratioOf(from: string, to: string): number {
  if (from === 'iu') return to === 'ug' ? UG_PER_IU : NaN;
  return (GRAMS[from] ?? NaN) / (GRAMS[to] ?? NaN);
}

/** What a basis weighs against another; undefined where their units are no weights of one kind. */
export function basisRatio(one: PrintedBasis | undefined, other: PrintedBasis | undefined): number | undefined {
  return one && other && one.unit === other.unit && one.amount > 0 ? other.amount / one.amount : undefined;
}
