import { placedLines, type Batch, type BatchEdit, type BatchLine, type Kitchen, type PlannedBatch } from '@portiona/core';
import { stepRows, type CookRow } from './stepRows';

/** Something that is put on the scale: a line of the dish, or what came out of a part. */
export interface ToWeigh {
  /** "line part/1" or "part dal". */
  readonly key: string;
  readonly kind: 'line' | 'part';
  /** Place of the line, or id of the part. */
  readonly of: string;
  readonly name: string;
  /** Edible grams planned. */
  readonly grams: number | undefined;
  /** It was weighed, or said to be in. */
  readonly done: boolean;
}

/** A line on a row of its own, as a screen at the stove shows it. */
export type LineRow = Extract<CookRow, { readonly row: 'line' }>;

/** Lines of the dish as rows, in order. */
export function lineRows({ recipe }: PlannedBatch, kitchen: Kitchen): LineRow[] {
  return placedLines(recipe).flatMap(({ at, line }) => lineRow(at, line, kitchen));
}

function lineRow(at: string, line: LineRow['line'], kitchen: Kitchen): LineRow[] {
  const part = { id: at.replace(/\/.*/, ''), name: '', lines: [line] };
  return stepRows(`{${part.id}/1}`, { id: '', title: '', servings: 1, parts: [part] }, kitchen).flatMap((row) =>
    row.row === 'line' ? [{ ...row, at }] : [],
  );
}

/** What of these rows is to be weighed, in their order. */
export function linesToWeigh(rows: readonly CookRow[], batch: Batch, { grams }: PlannedBatch): ToWeigh[] {
  return rows.flatMap((row): ToWeigh[] => {
    if (row.row !== 'line') return [];
    const said = batch.lines?.find((line) => 'at' in line && line.at === row.at);
    const done = said !== undefined || (batch.cooking?.ready?.includes(row.at) ?? false);
    return [{ key: `line ${row.at}`, kind: 'line', of: row.at, name: row.food, grams: grams.get(row.at), done }];
  });
}

/** What came out of the parts, to be weighed. */
export function partsToWeigh({ recipe }: PlannedBatch, batch: Batch): ToWeigh[] {
  return recipe.parts
    .filter(({ lines }) => lines.length > 0)
    .map((part) => ({
      ...{ key: `part ${part.id}`, kind: 'part' as const, of: part.id, name: part.name, grams: undefined },
      done: batch.parts?.some((one) => one.part === part.id) ?? false,
    }));
}

/**
 * What is said of a line whose weight was taken: another food in its place stays in its place.
 *
 * @param before grams before it was peeled and trimmed, where that was weighed too
 */
export function weighedLine(batch: Batch, at: string, grams: number, before?: number): BatchEdit {
  const said = batch.lines?.find((line): line is Extract<BatchLine, { readonly at: string }> => 'at' in line && line.at === at);
  if (said && 'food' in said) return { do: 'line', line: { ...said, grams } };
  return { do: 'line', line: { at, grams, ...(before !== undefined && before > grams ? { trimmedFrom: before } : {}) } };
}

/** What is said of a part whose weight was taken: pieces and volume stay; a pot that was said stays under it. */
export function weighedPart(batch: Batch, part: string, grams: number): BatchEdit {
  const { net: _, gross: __, tare, ...others } = batch.parts?.find((one) => one.part === part) ?? { part };
  return { do: 'part', part: tare !== undefined && tare < grams ? { ...others, gross: grams, tare } : { ...others, net: grams } };
}
