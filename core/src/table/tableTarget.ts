import { LABEL_NUTRIENTS, NUTRIENT_TABLE, type LabelNutrient, type Nutrient } from '../food/index.js';

/** Nutrients a column may hold, energy by its unit and carbohydrate by its convention. */
export type TableNutrient = (typeof NUTRIENT_TABLE)[LabelNutrient]['headings'][number]['target'];
export const TABLE_NUTRIENTS: readonly TableNutrient[] = LABEL_NUTRIENTS.flatMap((nutrient) =>
  NUTRIENT_TABLE[nutrient].headings.map(({ target }) => target),
);

/** What a column of a food table may hold. `basis` is what a row's figures are for, `refuse` what is thrown away, `edible` what is left of it. */
export const TABLE_TARGETS = ['code', 'name', 'otherNames', 'group', 'basis', 'refuse', 'edible', 'density', ...TABLE_NUTRIENTS] as const;
export type TableTarget = (typeof TABLE_TARGETS)[number];

/** Units a column's figures may be in. */
export const TABLE_UNITS = ['g', 'mg', 'ug', 'kcal', 'kJ', 'IU', '%', '1', 'g/ml'] as const;
export type TableUnit = (typeof TABLE_UNITS)[number];

/** A column and what is taken from it. */
export interface ColumnMapping {
  /** As it stands over the column, its lines joined: what finds the column again in another edition of the table. */
  readonly heading: string;
  readonly target: TableTarget;
  /** Left out: the one its heading states, else the unit the target is kept in. */
  readonly unit?: TableUnit;
}

/** A table with a row for each figure of a food: the columns that say which food it is, which figure, how much, in what unit. */
export interface FigureRows {
  /** Rows of the same cell here are one food: its code, else its name. */
  readonly food: string;
  readonly figure: string;
  readonly value: string;
  readonly unit?: string;
}

/** How a food table is read. */
export interface TableMapping {
  /** Lines above the first food. */
  readonly headingLines: number;
  readonly decimal: '.' | ',';
  /** What the figures are for; a column of its own may say it of each row. */
  readonly per: { readonly amount: number; readonly unit: 'g' | 'ml' };
  readonly columns: readonly ColumnMapping[];
  /** Where each figure has a row; the columns mapped are then those of the gathered table. */
  readonly figureRows?: FigureRows;
}

/** Whether a target is a nutrient's. */
export function isTableNutrient(target: TableTarget): target is TableNutrient {
  return (TABLE_NUTRIENTS as readonly string[]).includes(target);
}

/** The nutrient of the kitchen file that a column's target and unit come to. */
export function nutrientOfTarget(target: TableNutrient, unit: TableUnit | undefined): Nutrient | 'salt' {
  if (target === 'energy') return unit === 'kJ' ? 'energyKj' : 'energyKcal';
  if (target === 'carbohydrateAvailable' || target === 'carbohydrateTotal') return 'carbohydrate';
  return target;
}
