import type { EnergyShare } from '../recipe/index.js';
import type { Mark, ShapeMark } from './mark.js';
import { at, filled } from './shapes.js';

type Patterned = EnergyShare['of'];

/**
 * A field in the pattern of a nutrient, so that grey print and every eye tell them apart: protein hatched, carbohydrate dotted, fat
 * solid, fibre crossed.
 *
 * @param u how large a pixel of the pattern is
 */
export function nutrientField(of: Patterned, x: number, y: number, width: number, height: number, u: number): readonly Mark[] {
  if (width <= 0) return [];
  const ground = filled(x, y, width, height, of);
  if (of === 'protein') return [ground, hatched(x, y, width, height, 5 * u, 1, { stroke: 'proteinLight', strokeWidth: 1.4 * u })];
  if (of === 'fibre')
    return [
      ground,
      hatched(x, y, width, height, 4.5 * u, 1, { stroke: 'fibreLight', strokeWidth: 0.8 * u }),
      hatched(x, y, width, height, 4.5 * u, -1, { stroke: 'fibreLight', strokeWidth: 0.8 * u }),
    ];
  if (of === 'carbohydrate') return [ground, dotted(x, y, width, height, 5 * u, 0.95 * u)];
  return [ground];
}

/** Lines at 45 degrees within a field: rising to the right for 1, falling for -1. */
function hatched(
  x: number,
  y: number,
  width: number,
  height: number,
  gap: number,
  rises: 1 | -1,
  look: Pick<ShapeMark, 'stroke' | 'strokeWidth'>,
): ShapeMark {
  const lines: string[] = [];
  const step = gap * Math.SQRT2;
  for (let start = step / 2 - height; start < width; start += step) {
    // Along the line from its foot: what of it lies within the field.
    const from = Math.max(0, -start);
    const to = Math.min(height, width - start);
    if (to <= from) continue;
    const up = (along: number) => (rises === 1 ? y + height - along : y + along);
    lines.push(`M${at(x + start + from)} ${at(up(from))}L${at(x + start + to)} ${at(up(to))}`);
  }
  return { kind: 'shape', path: lines.join('') || `M${at(x)} ${at(y)}`, ...look };
}

function dotted(x: number, y: number, width: number, height: number, gap: number, radius: number): ShapeMark {
  const dots: string[] = [];
  for (let cy = y + gap / 2; cy <= y + height - radius; cy += gap)
    for (let cx = x + gap / 2; cx <= x + width - radius; cx += gap)
      dots.push(
        `M${at(cx - radius)} ${at(cy)}A${at(radius)} ${at(radius)} 0 1 1 ${at(cx + radius)} ${at(cy)}A${at(radius)} ${at(radius)} 0 1 1 ${at(cx - radius)} ${at(cy)}Z`,
      );
  return { kind: 'shape', path: dots.join('') || `M${at(x)} ${at(y)}`, fill: 'carbohydrateDot' };
}
