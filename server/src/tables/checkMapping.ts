import { columnsOf, isTableNutrient, placedMapping, unitsFor, type Fault } from '@portiona/core';
import { ValidationError } from '../http/problems.js';
import type { TableReadingDto } from './table.dto.js';
import { columnsOfTable, firstRows } from './tableReader.js';

/** @throws ValidationError where the mapping cannot make foods of this table */
export async function checkMapping(path: string, mapping: TableReadingDto): Promise<void> {
  await checkFigureRows(path, mapping);
  const headings = (await columnsOfTable(path, mapping)).map(({ heading }) => heading);
  const { places, missing } = placedMapping(mapping, headings);
  const faults: Fault[] = missing.map((heading) => ({
    path: `mapping.columns[${mapping.columns.findIndex((one) => one.heading === heading)}].heading`,
    message: `this table has no column “${heading}”; choose another, or take it out`,
  }));
  if (!places.some(({ target }) => target === 'name'))
    faults.push({ path: 'mapping.columns', message: 'no column is the name of the food; choose one' });
  const twice = mapping.columns.find(({ target }, i) => mapping.columns.findIndex((one) => one.target === target) !== i);
  if (twice) faults.push({ path: 'mapping.columns', message: `two columns are “${twice.target}”; choose one of them` });
  mapping.columns.forEach(({ target, unit }, i) => {
    if (unit !== undefined && unitsFor(target).length > 0 && !unitsFor(target).includes(unit) && unit !== '%')
      faults.push({
        path: `mapping.columns[${i}].unit`,
        message: `“${unit}” is no unit of ${target}; one of ${unitsFor(target).join(', ')} is`,
      });
  });
  for (const { heading, target, unit } of places)
    if (isTableNutrient(target) && unit === undefined)
      faults.push({
        path: `mapping.columns[${mapping.columns.findIndex((one) => one.heading.toLowerCase() === heading.toLowerCase())}].unit`,
        message: `the table does not say the unit of “${heading}”; one of ${unitsFor(target).join(', ')} is`,
      });
  if (faults.length > 0) throw new ValidationError(faults);
}

/** The columns that say which food and which figure must be in the file, and be different ones. */
async function checkFigureRows(path: string, mapping: TableReadingDto): Promise<void> {
  const { figureRows } = mapping;
  if (!figureRows) return;
  const headings = columnsOf(await firstRows(path, mapping), mapping.headingLines).map(({ heading }) => heading);
  const named = Object.entries(figureRows) as [keyof typeof figureRows, string][];
  const faults = named.flatMap(([key, heading], i): Fault[] => {
    const at = `mapping.figureRows.${key}`;
    if (!headings.includes(heading)) return [{ path: at, message: `this table has no column “${heading}”; choose another` }];
    return named.findIndex(([, other]) => other === heading) === i ? [] : [{ path: at, message: `“${heading}” is chosen for two things` }];
  });
  if (faults.length > 0) throw new ValidationError(faults);
}
