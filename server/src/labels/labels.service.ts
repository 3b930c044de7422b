import { Injectable } from '@nestjs/common';
import {
  batchFigures,
  batchLabels,
  computed,
  LABEL_SHEETS,
  labelFit,
  sheetFault,
  singleLabel,
  type BoxLabel,
  type LabelSheet,
  type Settings,
} from '@portiona/core';
import { BatchesService } from '../batches/batches.service.js';
import { ValidationError } from '../http/problems.js';
import type { Scope } from '../scope/scope.js';
import { drawLabelsPdf } from './drawLabelsPdf.js';

/** Which labels are printed, and on what. */
export interface LabelOrder {
  /** Name of a sheet; or a single label of a size, millimetres. */
  readonly sheet: string | { readonly width: number; readonly height: number };
  /** First cell used, from 1. */
  readonly start: number;
  /** Outlines of every cell, for a test on plain paper. */
  readonly outlines: boolean;
  /** Numbers of labels, from 1; left out: all. */
  readonly only?: readonly number[] | undefined;
}

/** Labels of batches on paper. */
@Injectable()
export class LabelsService {
  constructor(private readonly batches: BatchesService) {}

  /**
   * Labels of a batch's boxes as a PDF.
   *
   * @param address of the application, which the codes lead to
   * @throws NotFoundError; ValidationError for boxes that are not listed, a sheet that is not there, labels that do not fit it
   */
  async pdf(scope: Scope, id: string, order: LabelOrder, address: string): Promise<Buffer> {
    const { labels, settings } = await this.#labels(scope, id, address);
    const sheet = sheetOf(order.sheet, settings);
    const cells = sheet.columns * sheet.rows;
    if (order.start > cells) throw new ValidationError([{ path: 'start', message: `the sheet has cells 1 to ${cells}` }]);
    const numbers = order.only ?? labels.map((_, i) => i + 1);
    const strange = numbers.find((number) => labels[number - 1] === undefined);
    if (strange !== undefined)
      throw new ValidationError([{ path: 'only', message: `there are labels 1 to ${labels.length}, not ${strange}` }]);
    const set = numbers.flatMap((number) => {
      const label = labels[number - 1];
      return label ? [{ number, label, fit: labelFit(label, sheet.cell) }] : [];
    });
    const tight = set.find(({ fit }) => !fit.fits);
    if (tight)
      throw new ValidationError([
        {
          path: 'sheet',
          message: `what must be on label ${tight.number} has no room on ${sheet.cell.width} x ${sheet.cell.height} mm in letters that can be read; choose larger labels`,
        },
      ]);
    return drawLabelsPdf(set, sheet, order.start, order.outlines);
  }

  async #labels(scope: Scope, id: string, address: string): Promise<{ readonly labels: readonly BoxLabel[]; readonly settings: Settings }> {
    const { document } = await this.batches.get(scope, id);
    const { batches, kitchen } = await this.batches.withKitchen(scope, document.recipe);
    const link = `${address}/batches/${encodeURIComponent(document.recipe)}?batch=${encodeURIComponent(id)}`;
    const made = computed(() => {
      const figures = batchFigures(document, batches, kitchen);
      return batchLabels(figures, document, kitchen.settings, link);
    });
    if (!made.ok) throw new ValidationError([{ path: '', message: `the boxes cannot be worked out: ${made.because}` }]);
    if (made.made.length === 0)
      throw new ValidationError([{ path: 'boxes', message: 'no boxes are listed; portion the batch, then print its labels' }]);
    return { labels: made.made, settings: kitchen.settings };
  }
}

/** @throws ValidationError */
function sheetOf(wanted: LabelOrder['sheet'], { labelSheets = [] }: Settings): LabelSheet {
  if (typeof wanted !== 'string') return singleLabel(wanted.width, wanted.height);
  const sheet = [...labelSheets, ...LABEL_SHEETS].find(({ name }) => name === wanted);
  if (!sheet) throw new ValidationError([{ path: 'sheet', message: `there is no sheet "${wanted}"` }]);
  const fault = sheetFault(sheet);
  if (fault !== undefined) throw new ValidationError([{ path: 'sheet', message: fault }]);
  return sheet;
}
