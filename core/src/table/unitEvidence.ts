import { ENERGY_FACTORS, KJ_PER_KCAL } from '../food/index.js';
import { cellFigure } from './cellFigure.js';
import { knownFood, type KnownFood } from './knownFoods.js';
import type { PlacedMapping } from './foodFromRow.js';
import { rowBasis, type RowBasis } from './rowBasis.js';
import { factorTo, unitInHeading, unitsFor } from './tableUnit.js';
import { isTableNutrient, type TableNutrient, type TableUnit } from './tableTarget.js';

/** Where the unit of a column comes from: its heading, its cells, what its figures must be, or nowhere. */
export type UnitFrom = 'heading' | 'cells' | 'values' | 'nothing';

/** In which unit the figures of a column are, and what shows it. */
export interface UnitReading {
  readonly heading: string;
  /** Undefined where nobody can tell: it is to be asked. */
  readonly unit: TableUnit | undefined;
  readonly from: UnitFrom;
  /** In words; empty where the heading says it and nothing speaks against. */
  readonly evidence: string;
  /** A unit that the figures speak for, against what the heading says. */
  readonly against?: TableUnit;
}

/** Rows whose energy is held against their macronutrients, and figures kept of one known food. */
const MOST_ROWS = 2000;
const MOST_OF_ONE = 60;
/** Foods that must have agreed, and the share of them, before values say anything. */
const FEWEST_ROWS = 5;
const MOSTLY = 0.7;
/** Tables differ by less than four times on what everybody knows; units differ by a thousand, international units by forty. */
const NEAR = Math.log10(4);
/** Energy of a row is what its macronutrients make, give or take this: kJ and kcal are 4.184 apart. */
const ENERGY_NEAR = 1.5;
/** Least and most share of a whole that a part is at the middle row. */
const PART_SHARE = { least: 0.0015, most: 1.02 } as const;

interface Column {
  readonly heading: string;
  readonly target: TableNutrient;
  readonly at: number;
  readonly stated: TableUnit | undefined;
  readonly ofKnown: Map<KnownFood, number[]>;
  readonly inCells: Map<TableUnit, number>;
  figures: number;
}

/**
 * Gathers, row by row, what tells the units of a food table whose headings do not: energy against macronutrients finds kilojoules,
 * foods that everybody knows (salt, milk, spinach, egg, liver) tell grams from milligrams, parts stay below their whole. It also
 * notices a heading whose unit the figures cannot have.
 */
export class UnitEvidence {
  readonly #columns: readonly Column[];
  readonly #name: number;
  readonly #decimal: '.' | ',';
  readonly #basis: number;
  readonly #per: RowBasis;
  readonly #rows: (readonly (number | undefined)[])[] = [];

  /** @param agreed headings whose unit a person has said or agreed to before */
  constructor({ mapping, places }: PlacedMapping, agreed: ReadonlySet<string> = new Set()) {
    this.#decimal = mapping.decimal;
    this.#per = mapping.per;
    this.#basis = places.find(({ target }) => target === 'basis')?.at ?? -1;
    this.#name = places.find(({ target }) => target === 'name')?.at ?? -1;
    this.#columns = places.flatMap(({ heading, target, unit, at }) => {
      if (!isTableNutrient(target)) return [];
      const inHeading = unitInHeading(heading);
      const stated = agreed.has(heading)
        ? unit
        : inHeading !== undefined && factorTo(target, inHeading) !== undefined
          ? inHeading
          : undefined;
      return [{ heading, target, at, stated, ofKnown: new Map<KnownFood, number[]>(), inCells: new Map<TableUnit, number>(), figures: 0 }];
    });
  }

  /** Takes one row in. */
  add(cells: readonly string[]): void {
    const known = this.#name < 0 ? undefined : knownFood(cells[this.#name] ?? '');
    const per = this.#basis < 0 ? this.#per : rowBasis(cells[this.#basis] ?? '', this.#per.unit);
    if (!per) return;
    const figures = this.#columns.map((column) => {
      const cell = cellFigure(cells[column.at] ?? '', this.#decimal);
      if (cell.kind !== 'figure') return undefined;
      column.figures++;
      if (cell.unit !== undefined) {
        column.inCells.set(cell.unit, (column.inCells.get(cell.unit) ?? 0) + 1);
        return undefined;
      }
      const amount = (cell.amount / per.amount) * 100;
      if (known && amount > 0 && known.holds[column.target] !== undefined) {
        const kept = column.ofKnown.get(known) ?? [];
        if (kept.length < MOST_OF_ONE) kept.push(amount);
        column.ofKnown.set(known, kept);
      }
      return amount;
    });
    if (this.#rows.length < MOST_ROWS) this.#rows.push(figures);
  }

  /** The unit of every nutrient's column, by what was gathered. */
  readings(): UnitReading[] {
    const read = new Map<Column, UnitReading>();
    for (const column of this.#columns) if (column.target !== 'energy') read.set(column, this.#byKnown(column));
    const factored = this.#factored(read);
    const energy = this.#columns.find(({ target }) => target === 'energy');
    if (energy) read.set(energy, this.#energy(energy, factored));
    // Energy that macronutrients make in grams shows that they are grams.
    const shows = energy && factored !== undefined ? this.#energyFits(energy, factored) : undefined;
    for (const column of this.#columns) {
      const now = read.get(column);
      if (now?.from !== 'nothing' || column.target === 'energy') continue;
      read.set(
        column,
        (MACRONUTRIENTS.has(column.target) && shows && shows.fits ? byEnergy(column, shows) : this.#byWhole(column, read)) ?? now,
      );
    }
    return this.#columns.flatMap((column) => read.get(column) ?? []);
  }

  #byKnown(column: Column): UnitReading {
    const { heading, target, stated } = column;
    const inCells = unitOfCells(column);
    if (inCells !== undefined) return { heading, unit: inCells, from: 'cells', evidence: 'its cells say it' };
    const best = nearestUnit(column);
    if (stated !== undefined) {
      const against = best && best.foods >= 2 && best.sure && !sameFactor(target, best.unit, stated) ? best : undefined;
      return {
        heading,
        unit: stated,
        from: 'heading',
        evidence: against ? `${against.told}: that is ${named(against.unit)}, not ${named(stated)}` : '',
        ...(against ? { against: against.unit } : {}),
      };
    }
    if (best?.sure)
      return {
        heading,
        unit: best.unit,
        from: 'values',
        evidence: `${best.told}: as ${named(best.unit)} that is what ${best.foods === 1 ? 'it holds (one food only)' : 'they hold'}`,
      };
    return {
      heading,
      unit: undefined,
      from: 'nothing',
      evidence: best ? `${best.told}: as no unit is that what everybody’s table says` : 'no food that everybody knows has a figure in it',
    };
  }

  /** Kilocalories that each row's macronutrients make, in grams where nothing says another unit. */
  #factored(read: ReadonlyMap<Column, UnitReading>): readonly (number | undefined)[] | undefined {
    const place = (...targets: TableNutrient[]) => {
      const column = targets.map((target) => this.#columns.find((one) => one.target === target)).find((one) => one !== undefined);
      if (!column) return undefined;
      const factor = factorTo(column.target, read.get(column)?.unit ?? 'g') ?? 1;
      const i = this.#columns.indexOf(column);
      return (row: readonly (number | undefined)[]) => (row[i] === undefined ? undefined : row[i] * factor);
    };
    const [protein, fat, carbohydrate] = [place('protein'), place('fat'), place('carbohydrateAvailable', 'carbohydrateTotal')];
    const [fibre, alcohol, available] = [place('fibre'), place('alcohol'), place('carbohydrateAvailable')];
    if (!protein || !fat || !carbohydrate) return undefined;
    return this.#rows.map((row) => {
      const [p, f, c] = [protein(row), fat(row), carbohydrate(row)];
      if (p === undefined || f === undefined || c === undefined) return undefined;
      const rest = (available ? ENERGY_FACTORS.fibre.kcal * (fibre?.(row) ?? 0) : 0) + ENERGY_FACTORS.alcohol.kcal * (alcohol?.(row) ?? 0);
      return ENERGY_FACTORS.protein.kcal * p + ENERGY_FACTORS.fat.kcal * f + ENERGY_FACTORS.availableCarbohydrate.kcal * c + rest;
    });
  }

  #energyFits(energy: Column, factored: readonly (number | undefined)[]): EnergyFit | undefined {
    const i = this.#columns.indexOf(energy);
    const ratios = this.#rows.flatMap((row, r) => {
      const [said, made] = [row[i], factored[r]];
      return said !== undefined && said > 0 && made !== undefined && made > 20 ? [said / made] : [];
    });
    if (ratios.length < FEWEST_ROWS) return undefined;
    const fitting = (factor: number) => ratios.filter((ratio) => ratio / factor < ENERGY_NEAR && factor / ratio < ENERGY_NEAR).length;
    const [kcal, kJ] = [fitting(1), fitting(KJ_PER_KCAL)];
    const unit = kJ > kcal ? 'kJ' : 'kcal';
    const most = Math.max(kcal, kJ);
    return { unit, agree: most, compared: ratios.length, fits: most >= MOSTLY * ratios.length };
  }

  #energy(energy: Column, factored: readonly (number | undefined)[] | undefined): UnitReading {
    const { heading, stated } = energy;
    const inCells = unitOfCells(energy);
    if (inCells !== undefined) return { heading, unit: inCells, from: 'cells', evidence: 'its cells say it' };
    const fit = factored && this.#energyFits(energy, factored);
    const told = fit
      ? `in ${fit.agree} of ${fit.compared} foods it is ${fit.unit === 'kJ' ? 'four times ' : ''}what the macronutrients make in kcal`
      : '';
    if (stated !== undefined) {
      const against = fit?.fits && fit.unit !== stated ? fit.unit : undefined;
      return {
        heading,
        unit: stated,
        from: 'heading',
        evidence: against ? `${told}: that is ${against}, not ${stated}` : '',
        ...(against ? { against } : {}),
      };
    }
    if (fit?.fits) return { heading, unit: fit.unit, from: 'values', evidence: told };
    return {
      heading,
      unit: undefined,
      from: 'nothing',
      evidence: fit
        ? `it fits the macronutrients in ${fit.agree} of ${fit.compared} foods only`
        : 'there are no macronutrients to hold it against',
    };
  }

  /** Parts and wholes: the one unit in which a part stays below its whole, and is not next to nothing of it. */
  #byWhole(column: Column, read: ReadonlyMap<Column, UnitReading>): UnitReading | undefined {
    const wholes = WHOLES[column.target] ?? [];
    const whole = this.#columns.find(({ target }) => wholes.includes(target));
    const wholeUnit = whole && read.get(whole)?.unit;
    const wholeFactor = whole && wholeUnit !== undefined ? factorTo(whole.target, wholeUnit) : undefined;
    if (!whole || wholeFactor === undefined) return undefined;
    const [i, w] = [this.#columns.indexOf(column), this.#columns.indexOf(whole)];
    const pairs = this.#rows.flatMap((row) => {
      const [part, all] = [row[i], row[w]];
      return part !== undefined && part > 0 && all !== undefined && all * wholeFactor > 0.5 ? [part / (all * wholeFactor)] : [];
    });
    if (pairs.length < FEWEST_ROWS) return undefined;
    const holds = unitsFor(column.target).filter((unit) => {
      const factor = factorTo(column.target, unit) ?? 1;
      const shares = pairs.map((share) => share * factor);
      return middle(shares) >= PART_SHARE.least && shares.filter((share) => share <= PART_SHARE.most).length >= 0.95 * shares.length;
    });
    const [unit] = holds;
    if (unit === undefined || holds.length > 1) return undefined;
    return {
      heading: column.heading,
      unit,
      from: 'values',
      evidence: `as ${named(unit)} it stays below ${whole.heading} in ${pairs.length} foods, as another unit it would not, or be next to nothing of it`,
    };
  }
}

interface EnergyFit {
  readonly unit: 'kcal' | 'kJ';
  readonly agree: number;
  readonly compared: number;
  readonly fits: boolean;
}

const MACRONUTRIENTS: ReadonlySet<TableNutrient> = new Set(['protein', 'fat', 'carbohydrateAvailable', 'carbohydrateTotal']);
const WHOLES: { readonly [part in TableNutrient]?: readonly TableNutrient[] } = {
  saturates: ['fat'],
  trans: ['fat'],
  sugars: ['carbohydrateAvailable', 'carbohydrateTotal'],
  addedSugars: ['sugars', 'carbohydrateAvailable', 'carbohydrateTotal'],
  polyols: ['carbohydrateAvailable', 'carbohydrateTotal'],
};

function byEnergy({ heading }: Column, { agree, compared }: EnergyFit): UnitReading {
  return { heading, unit: 'g', from: 'values', evidence: `in grams the macronutrients make the energy of ${agree} of ${compared} foods` };
}

/** The unit that nearly all cells of a column carry themselves. */
function unitOfCells({ target, inCells, figures }: Column): TableUnit | undefined {
  const [most] = [...inCells].sort(([, a], [, b]) => b - a);
  const all = [...inCells.values()].reduce((sum, count) => sum + count, 0);
  return most && all >= 0.9 * figures && factorTo(target, most[0]) !== undefined ? most[0] : undefined;
}

/** The unit in which the known foods of a column hold what they are known to, with how sure that is. */
function nearestUnit({ target, ofKnown }: Column) {
  const units = unitsFor(target);
  const told = [...ofKnown].map(([{ name, holds }, figures]) => ({ name, figure: middle(figures), holds: holds[target] ?? 0 }));
  if (told.length === 0) return undefined;
  const offOf = (unit: TableUnit) =>
    told.map(({ figure, holds }) => Math.abs(Math.log10((figure * (factorTo(target, unit) ?? 1)) / holds)));
  const [best] = units.map((unit) => ({ unit, off: offOf(unit) })).sort((a, b) => middle(a.off) - middle(b.off));
  if (!best) return undefined;
  const near = best.off.filter((off) => off <= NEAR).length;
  return {
    unit: best.unit,
    foods: told.length,
    sure: near >= MOSTLY * told.length,
    told: told
      .slice(0, 4)
      .map(({ name, figure }) => `${name} ${Number(figure.toPrecision(3))}`)
      .join(', '),
  };
}

function sameFactor(target: TableNutrient, one: TableUnit, other: TableUnit): boolean {
  return factorTo(target, one) === factorTo(target, other);
}

function middle(figures: readonly number[]): number {
  const sorted = [...figures].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? 0;
}

function named(unit: TableUnit): string {
  return unit === 'ug' ? 'µg' : unit;
}
