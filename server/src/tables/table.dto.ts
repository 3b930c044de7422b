import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import {
  Flag,
  Many,
  must,
  One,
  OneOf,
  Optional,
  Quantity,
  ROW_DOUBT_KINDS,
  ROW_WAYS,
  TABLE_TARGETS,
  TABLE_UNITS,
  Text,
  type FigureRows,
  type RowDoubtKind,
  type RowWay,
  type RowWays,
  type TableMapping,
  type TableTarget,
  type TableUnit,
  type UnitFrom,
} from '@portiona/core';
import { SavedFoodDto } from '../http/saved.dto.js';

/** Encodings a person may choose where the guess is wrong; every one the decoder knows. */
export const ENCODINGS = [
  'utf-8',
  'utf-16le',
  'utf-16be',
  'windows-1252',
  'windows-1250',
  'iso-8859-2',
  'iso-8859-15',
  'macintosh',
  'windows-1251',
  'shift_jis',
  'gb18030',
  'euc-kr',
] as const;
export type Encoding = (typeof ENCODINGS)[number];

export class ColumnMappingDto {
  @ApiProperty() @Text(400) heading: string;
  @ApiProperty({ enum: TABLE_TARGETS }) @OneOf(TABLE_TARGETS) target: TableTarget;
  @ApiPropertyOptional({ enum: TABLE_UNITS }) @Optional() @OneOf(TABLE_UNITS) unit?: TableUnit;
}

export class TableBasisDto {
  @ApiProperty() @Quantity({ least: 0.001, most: 1e6 }) amount: number;
  @ApiProperty({ enum: ['g', 'ml'] }) @OneOf(['g', 'ml']) unit: 'g' | 'ml';
}

/** Which columns say what, in a table with a row for each figure of a food. */
export class FigureRowsDto implements FigureRows {
  @ApiProperty({ description: 'Rows of the same cell here are one food' }) @Text(400) food: string;
  @ApiProperty({ description: 'Names the figure' }) @Text(400) figure: string;
  @ApiProperty({ description: 'How much' }) @Text(400) value: string;
  @ApiPropertyOptional({ description: 'In what unit' }) @Optional() @Text(400) unit?: string;
}

/** How a table is read: its letters, its cells, what each column holds. */
export class TableReadingDto implements TableMapping {
  @ApiProperty({ enum: ENCODINGS }) @OneOf(ENCODINGS) encoding: Encoding;
  @ApiProperty({ description: 'What stands between cells' })
  @must('must be 1 to 3 letters', (found) => typeof found === 'string' && /^[^]{1,3}$/.test(found), { type: 'string' })
  delimiter: string;
  @ApiProperty({ description: 'What cells are quoted by' }) @OneOf(['"', "'", '~']) quote: string;
  @ApiProperty({ description: 'Lines above the first food' })
  @must('must be a whole number from 0 to 50', (found) => Number.isInteger(found) && Number(found) >= 0 && Number(found) <= 50, {
    type: 'integer',
  })
  headingLines: number;
  @ApiProperty({ enum: ['.', ','] }) @OneOf(['.', ',']) decimal: '.' | ',';
  @ApiProperty({ type: TableBasisDto }) @One(() => TableBasisDto) per: TableBasisDto;
  @ApiProperty({ type: [ColumnMappingDto] })
  @Many(() => ColumnMappingDto, 60, 'columns')
  @must('must hold at least one column', (found) => !Array.isArray(found) || found.length > 0, {})
  columns: ColumnMappingDto[];
  @ApiPropertyOptional({ type: FigureRowsDto, description: 'Where each figure of a food has a row of its own' })
  @Optional()
  @One(() => FigureRowsDto)
  figureRows?: FigureRowsDto;
}

/** A mapping kept under a name. */
export class NamedReadingDto {
  @ApiProperty() name: string;
  @ApiProperty({ type: TableReadingDto }) mapping: TableReadingDto;
}

/** What is to be done with rows that cannot be right as they stand, by what is wrong with them. */
export class RowWaysDto implements RowWays {
  @ApiPropertyOptional({ enum: ROW_WAYS, description: 'Energy missing, or not what the macronutrients make' })
  @Optional()
  @OneOf(ROW_WAYS)
  energy?: RowWay;
  @ApiPropertyOptional({ enum: ROW_WAYS, description: 'A part above its whole' }) @Optional() @OneOf(ROW_WAYS) parts?: RowWay;
  @ApiPropertyOptional({ enum: ROW_WAYS, description: 'More in it than it weighs' }) @Optional() @OneOf(ROW_WAYS) weight?: RowWay;
}

/** A table to be taken in. */
export class TakeTableDto {
  @ApiProperty({ description: 'The name its foods are kept under; the same name again updates them by code' })
  @Text(60, true)
  name: string;
  @ApiProperty({ type: TableReadingDto }) @One(() => TableReadingDto) mapping: TableReadingDto;
  @ApiPropertyOptional({ description: 'Keep the mapping under the table’s name' }) @Optional() @Flag() keepMapping?: boolean;
  @ApiPropertyOptional({ type: RowWaysDto, description: 'Of a table with such rows nothing is taken until it is said' })
  @Optional()
  @One(() => RowWaysDto)
  doubtful?: RowWaysDto;
}

export class TableColumnDto {
  @ApiProperty() heading: string;
  @ApiProperty({ type: [String], description: 'Some of its cells' }) samples: readonly string[];
}

export class TableResultDto {
  @ApiProperty() rows: number;
  @ApiProperty() added: number;
  @ApiProperty() changed: number;
  @ApiProperty() unchanged: number;
  @ApiProperty({ description: 'Rows made one’s own since: left as they are' }) own: number;
  @ApiProperty() leftOut: number;
  @ApiProperty() faults: number;
}

export class TableProgressDto {
  @ApiProperty() rows: number;
  @ApiProperty({ description: '0 to 1' }) share: number;
}

/** A table that was brought, and where it stands. */
export class TableImportDto {
  @ApiProperty() id: string;
  @ApiProperty() fileName: string;
  @ApiProperty() bytes: number;
  @ApiProperty({ enum: ['ready', 'running', 'done', 'cancelled', 'failed', 'interrupted'] })
  state: 'ready' | 'running' | 'done' | 'cancelled' | 'failed' | 'interrupted';
  @ApiProperty({ type: String, nullable: true }) tableName: string | null;
  @ApiProperty({ description: 'ISO time' }) madeAt: string;
  @ApiProperty({ type: TableProgressDto, nullable: true }) progress: TableProgressDto | null;
  @ApiProperty({ type: TableResultDto, nullable: true }) result: TableResultDto | null;
  @ApiProperty({ type: String, nullable: true, description: 'What went wrong, and what to do' }) message: string | null;
}

/** In which unit a nutrient’s figures are, and what shows it. */
export class UnitReadingDto {
  @ApiProperty() heading: string;
  @ApiPropertyOptional({ enum: TABLE_UNITS, description: 'Absent where nobody can tell: to be chosen' }) unit?: TableUnit;
  @ApiProperty({ enum: ['heading', 'cells', 'values', 'nothing'], description: 'What says it' }) from: UnitFrom;
  @ApiProperty({ description: 'In words; empty where the heading says it and nothing speaks against' }) evidence: string;
  @ApiPropertyOptional({ enum: TABLE_UNITS, description: 'A unit the figures speak for, against the heading' }) against?: TableUnit;
}

/** A table looked at: its columns, and how it is most likely meant. */
export class TableLookDto {
  @ApiProperty({ type: [TableColumnDto] }) columns: readonly TableColumnDto[];
  @ApiProperty({ type: 'array', items: { type: 'array', items: { type: 'string' } }, description: 'The first rows as they stand' })
  rows: readonly (readonly string[])[];
  @ApiProperty({ type: [String], description: 'Headings of the file itself, before figures of a food are gathered' })
  ownHeadings: readonly string[];
  @ApiProperty({ type: TableReadingDto }) mapping: TableReadingDto;
  @ApiProperty({ type: [UnitReadingDto], description: 'Units of the columns that hold nutrients' }) units: readonly UnitReadingDto[];
  @ApiProperty({ type: String, nullable: true, description: 'The kept mapping that was put on it' }) fromKept: string | null;
  @ApiProperty({ type: [String], description: 'Headings of the kept mapping that this table does not have' }) missing: readonly string[];
}

export class TableFaultDto {
  @ApiProperty({ description: 'As a spreadsheet counts' }) row: number;
  @ApiProperty() heading: string;
  @ApiProperty() message: string;
}

/** A row that cannot be right as it stands. */
export class DoubtfulRowDto {
  @ApiProperty({ description: 'As a spreadsheet counts' }) row: number;
  @ApiProperty() name: string;
  @ApiProperty() message: string;
}

/** Rows of one kind that cannot be right as they stand. */
export class DoubtfulRowsDto {
  @ApiProperty({ enum: ROW_DOUBT_KINDS }) kind: RowDoubtKind;
  @ApiProperty({ enum: ROW_WAYS, isArray: true, description: 'What can be done with them' }) ways: readonly RowWay[];
  @ApiProperty() rows: number;
  @ApiProperty({ type: [DoubtfulRowDto], description: 'The first two hundred' }) first: readonly DoubtfulRowDto[];
}

/** What taking a table in would do. */
export class TablePreviewDto extends TableResultDto {
  @ApiProperty({ type: [TableFaultDto], description: 'The first hundred' }) firstFaults: readonly TableFaultDto[];
  @ApiProperty({ description: 'Cells read as "less than", traces, in brackets or with a mark' }) noted: number;
  @ApiProperty({ description: 'What the energy of all foods against their macronutrients says; empty: they agree' }) soundness: string;
  @ApiProperty({ type: [DoubtfulRowsDto], description: 'Rows that cannot be right as they stand, by kind' })
  doubtful: readonly DoubtfulRowsDto[];
  @ApiProperty({ type: [SavedFoodDto], description: 'Some foods as they would stand in the pantry' }) sample: readonly SavedFoodDto[];
}
