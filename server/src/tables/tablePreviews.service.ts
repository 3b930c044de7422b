import { Injectable } from '@nestjs/common';
import {
  columnsOf,
  delimiterOf,
  guessFigureRows,
  guessMapping,
  headingLinesOf,
  isTableNutrient,
  placedMapping,
  quoteOf,
  soundnessText,
  tableSoundness,
  UnitEvidence,
  unitsFor,
  waysFor,
  type FigureRows,
  type PlacedMapping,
  type RowDoubt,
  type RowDoubtKind,
  type TableColumn,
  type TableFood,
} from '@portiona/core';
import { Database } from '../database/database.js';
import { FoodsService } from '../foods/foods.service.js';
import { TableUploadsService } from './tableUploads.service.js';
import { checkMapping } from './checkMapping.js';
import type {
  ColumnMappingDto,
  DoubtfulRowDto,
  DoubtfulRowsDto,
  Encoding,
  TableLookDto,
  TablePreviewDto,
  TableReadingDto,
  TakeTableDto,
  UnitReadingDto,
} from './table.dto.js';
import { TableIntake } from './tableIntake.js';
import { firstFoods, firstRows, sampleRows } from './tableReader.js';
import { firstLetters } from './tableRows.js';
import { walkTable } from './tableWalk.js';
import type { Scope } from '../scope/scope.js';

const SHOWN_FAULTS = 100;
const SHOWN_DOUBTFUL = 200;
const SHOWN_FOODS = 12;
const SHOWN_ROWS = 12;
const SHOWN_SAMPLES = 4;
/** Foods whose energy is held against their macronutrients before taking a table in. */
const MOST_CHECKED = 5000;

/** What a person says of how a table is to be read, where the guess was wrong. */
export interface SaidOfTable {
  readonly encoding?: Encoding;
  readonly delimiter?: string;
  readonly headingLines?: number;
  /** Name of a mapping kept. */
  readonly kept?: string;
  readonly rowsFor?: 'food' | 'figure';
  /** Where rows are for figures: the columns that say what; the others are guessed. */
  readonly figureRows?: Partial<FigureRows>;
}

/** Looks at a table and tries a mapping on it; writes nothing. */
@Injectable()
export class TablePreviewsService {
  constructor(
    private readonly database: Database,
    private readonly foods: FoodsService,
    private readonly tables: TableUploadsService,
  ) {}

  /**
   * A table's columns and how it is most likely meant: by the mapping kept under a name, else guessed.
   *
   * @throws NotFoundError, RefusedFileError
   */
  async look(scope: Scope, id: string, said: SaidOfTable): Promise<TableLookDto> {
    const { path, encoding: found } = await this.tables.file(scope, id);
    const kept = said.kept === undefined ? undefined : await this.tables.mappingKept(scope, said.kept);
    const encoding = said.encoding ?? kept?.encoding ?? found;
    const first = await firstLetters(path, encoding);
    const quote = kept?.quote ?? quoteOf(first);
    const delimiter = said.delimiter ?? kept?.delimiter ?? delimiterOf(first, quote);
    const letters = { encoding, delimiter, quote };
    const own = await firstRows(path, letters);
    const headingLines = said.headingLines ?? kept?.headingLines ?? headingLinesOf(own);
    const ownColumns = columnsOf(own, headingLines);
    const ownHeadings = ownColumns.map(({ heading }) => heading);
    const figureRows = layoutOf(ownColumns, said, kept && (kept.figureRows ?? 'food'));
    const whole = figureRows ? await firstFoods(path, { ...letters, headingLines, figureRows }) : { rows: own, headingLines };
    const columns = columnsOf(whole.rows, whole.headingLines);
    const guess = kept ?? guessMapping(whole.rows, whole.headingLines);
    const placed = placedMapping(
      guess,
      columns.map(({ heading }) => heading),
    );
    const { places, missing } = placed;
    const layout = { ...letters, headingLines, ...(figureRows ? { figureRows } : {}) };
    const units = await unitsOf(path, layout, placed, kept !== undefined);
    const read = new Map(units.map(({ heading, unit }) => [heading, unit]));
    return {
      columns: columns.map(({ heading, samples }) => ({ heading, samples: samples.slice(0, SHOWN_SAMPLES) })),
      rows: own.slice(0, SHOWN_ROWS),
      ownHeadings,
      mapping: {
        encoding,
        delimiter,
        quote,
        headingLines,
        decimal: guess.decimal,
        per: guess.per,
        columns: places.map(({ heading, target, unit }) => ({
          heading,
          target,
          ...unitOf(target, read.has(heading) ? read.get(heading) : unit),
        })),
        ...(figureRows ? { figureRows } : {}),
      },
      units,
      fromKept: said.kept ?? null,
      missing: kept ? [...goneOf(kept.figureRows, ownHeadings), ...missing] : [],
    };
  }

  /** What taking it in would do; nothing is written. @throws NotFoundError, ValidationError, RefusedFileError */
  async preview(scope: Scope, id: string, { name, mapping, doubtful }: TakeTableDto): Promise<TablePreviewDto> {
    const { path } = await this.tables.file(scope, id);
    await checkMapping(path, mapping);
    const intake = new TableIntake(this.database, this.foods, scope, name, false);
    const firstFaults: TablePreviewDto['firstFaults'][number][] = [];
    const checked: TableFood['food'][] = [];
    const sample: TableFood[] = [];
    const rows = new DoubtfulRows();
    let noted = 0;
    const counts = await walkTable(
      path,
      { mapping, ...(doubtful ? { doubtful } : {}) },
      {
        read: ({ food }) => checked.length < MOST_CHECKED && checked.push(food),
        food: (food) => {
          noted += food.notes.length;
          if (sample.length < SHOWN_FOODS) sample.push(food);
        },
        doubtful: (row, { food }, doubts) => {
          for (const doubt of doubts) rows.add(row, food.name, doubt);
        },
        fault: (fault) => firstFaults.length < SHOWN_FAULTS && firstFaults.push(fault),
        some: (foods) => intake.take(foods),
      },
    );
    return {
      ...counts,
      ...intake.counts,
      firstFaults,
      noted,
      soundness: soundnessText(tableSoundness(checked)),
      doubtful: rows.kinds,
      sample: sample.map(({ code, food }) => ({ id: code, revision: 0, savedAt: '', document: { ...food, id: 'x' } })),
    };
  }
}

/** Rows that cannot be right, gathered by kind. */
class DoubtfulRows {
  readonly #kinds = new Map<RowDoubtKind, { rows: number; first: DoubtfulRowDto[] }>();

  get kinds(): DoubtfulRowsDto[] {
    return [...this.#kinds].map(([kind, { rows, first }]) => ({ kind, ways: waysFor(kind), rows, first }));
  }

  add(row: number, name: string, { kind, message }: RowDoubt): void {
    const kept = this.#kinds.get(kind) ?? { rows: 0, first: [] };
    kept.rows++;
    if (kept.first.length < SHOWN_DOUBTFUL) kept.first.push({ row, name, message });
    this.#kinds.set(kind, kept);
  }
}

/** Whether each figure has a row, by what was said, then by the mapping kept, then by a guess; only columns that are there. */
function layoutOf(
  columns: readonly TableColumn[],
  { rowsFor, figureRows }: SaidOfTable,
  kept: FigureRows | 'food' | undefined,
): FigureRows | undefined {
  if ((rowsFor ?? kept) === 'food') return undefined;
  const guess = guessFigureRows(columns);
  if (rowsFor === undefined && kept === undefined) return guess;
  const headings = columns.map(({ heading }) => heading);
  const said: Partial<FigureRows> = { ...(typeof kept === 'object' ? kept : {}), ...figureRows };
  const there = (key: keyof FigureRows) => [said[key], guess?.[key]].find((heading) => heading !== undefined && headings.includes(heading));
  // Said to be none: the figures' names give their units.
  const unit = said.unit === '' ? undefined : there('unit');
  return {
    food: there('food') ?? headings[0] ?? '',
    figure: there('figure') ?? headings[1] ?? '',
    value: there('value') ?? headings.at(-1) ?? '',
    ...(unit === undefined ? {} : { unit }),
  };
}

/** Columns of a layout that a table does not have. */
function goneOf(figureRows: FigureRows | undefined, headings: readonly string[]): string[] {
  if (!figureRows) return [];
  const { food, figure, value, unit = food } = figureRows;
  return [...new Set([food, figure, value, unit])].filter((heading) => !headings.includes(heading));
}

/** The unit that was read; where there is but one, that. A nutrient's unit that nobody can tell is left to be said. */
function unitOf(target: ColumnMappingDto['target'], unit: ColumnMappingDto['unit']) {
  const usual = unit ?? (isTableNutrient(target) ? undefined : unitsFor(target)[0]);
  return usual === undefined ? {} : { unit: usual };
}

/** The units of a table's nutrients, by many of its rows: those that a mapping was kept with were agreed to. */
async function unitsOf(
  path: string,
  layout: Pick<TableReadingDto, 'encoding' | 'delimiter' | 'quote' | 'headingLines' | 'figureRows'>,
  placed: PlacedMapping,
  agreed: boolean,
): Promise<UnitReadingDto[]> {
  const evidence = new UnitEvidence(placed, new Set(agreed ? placed.places.map(({ heading }) => heading) : []));
  for await (const cells of sampleRows(path, layout)) evidence.add(cells);
  return evidence.readings().map(({ unit, ...rest }) => ({ ...rest, ...(unit === undefined ? {} : { unit }) }));
}
