import type { Ink } from './ink.js';
import type { ShapeMark } from './mark.js';

/** A rectangle, filled. */
export function filled(x: number, y: number, width: number, height: number, fill: Ink, opacity?: number): ShapeMark {
  return { kind: 'shape', path: rectangle(x, y, width, height), fill, ...(opacity === undefined ? {} : { opacity }) };
}

/** A line from left to right. */
export function ruled(x: number, y: number, width: number, stroke: Ink, strokeWidth: number, dash?: readonly [number, number]): ShapeMark {
  return { kind: 'shape', path: `M${at(x)} ${at(y)}H${at(x + width)}`, stroke, strokeWidth, ...(dash ? { dash } : {}) };
}

/** Path of a rectangle. */
export function rectangle(x: number, y: number, width: number, height: number): string {
  return `M${at(x)} ${at(y)}H${at(x + width)}V${at(y + height)}H${at(x)}Z`;
}

/** Path of a rectangle with round corners. */
export function roundRectangle(x: number, y: number, width: number, height: number, radius: number): string {
  const r = Math.min(radius, width / 2, height / 2);
  const [right, bottom] = [x + width, y + height];
  return [
    `M${at(x + r)} ${at(y)}H${at(right - r)}A${at(r)} ${at(r)} 0 0 1 ${at(right)} ${at(y + r)}`,
    `V${at(bottom - r)}A${at(r)} ${at(r)} 0 0 1 ${at(right - r)} ${at(bottom)}`,
    `H${at(x + r)}A${at(r)} ${at(r)} 0 0 1 ${at(x)} ${at(bottom - r)}`,
    `V${at(y + r)}A${at(r)} ${at(r)} 0 0 1 ${at(x + r)} ${at(y)}Z`,
  ].join('');
}

/** Path of a ticket: paper torn off along its upper edge, where holes were punched. */
export function ticketPath(x: number, y: number, width: number, height: number, hole: number): string {
  const count = Math.max(1, Math.round(width / (hole * 2.74)));
  const pitch = width / count;
  const holes = Array.from({ length: count }, (_, i) => {
    const middle = x + (i + 0.5) * pitch;
    return `H${at(middle - hole)}A${at(hole)} ${at(hole)} 0 0 0 ${at(middle + hole)} ${at(y)}`;
  }).join('');
  return `M${at(x)} ${at(y)}${holes}H${at(x + width)}V${at(y + height)}H${at(x)}Z`;
}

/** A number of a path: hundredths of a unit are finer than any print. */
export function at(number: number): string {
  return String(Math.round(number * 100) / 100 || 0);
}
