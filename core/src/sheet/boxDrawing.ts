import type { CardContent } from '../card/index.js';
import type { Ink } from './ink.js';
import type { Looks } from './looks.js';
import type { Block, Mark, ShapeMark } from './mark.js';
import { widthOfRuns } from './paragraph.js';
import { at, roundRectangle } from './shapes.js';
import { textItem, type Item, type Setting } from './stack.js';

/** What a part of a box is filled with. */
interface Filling {
  readonly fill: Ink;
  readonly pattern: 'beads' | 'grains' | 'waves' | 'none';
  readonly stroke: Ink;
  readonly opacity: number;
  readonly number: Ink;
  readonly name: Ink;
}

/** Fillings of the parts of a box, in their order; none is a nutrient's. */
const FILLINGS: readonly Filling[] = [
  { fill: 'damson', pattern: 'beads', stroke: 'damsonLine', opacity: 0.22, number: 'paper', name: 'damsonSoft' },
  { fill: 'ticketRule', pattern: 'grains', stroke: 'paper', opacity: 0.9, number: 'ink', name: 'text' },
  { fill: 'damsonLine', pattern: 'waves', stroke: 'damson', opacity: 0.25, number: 'ink', name: 'text' },
  { fill: 'steel', pattern: 'none', stroke: 'paper', opacity: 1, number: 'ink', name: 'text' },
];

/** A field of a drawing. */
export interface Field {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/**
 * One box seen from above, its parts as large as they weigh, each with its name and grams: what stands where a dish has no photo. It is
 * drawn from the card's own figures, and shows nothing that is not known. A box that stands upright has them one below the other.
 */
export function boxDrawing(card: CardContent, { x, y, width, height }: Field, looks: Looks, setting: Setting): readonly Block[] {
  const { u } = looks;
  const upright = height > width;
  // How its grams are written is the language's: what is drawn goes by the number. Cards of before were all written plainly.
  const parts = card.intoEachBox.map(({ grams, part, weight }) => ({
    grams,
    part,
    weight: weight ?? Number(grams.replace(/[^\d.]/g, '')),
  }));
  const whole = parts.reduce((sum, { weight }) => sum + weight, 0);
  const short = Math.min(width, height);
  const [rim, corner] = [0.035 * short + 2 * u, 0.12 * short];
  const inner = { x: x + rim, y: y + rim, width: width - 2 * rim, height: height - 2 * rim };
  const wall = 3.5 * u;
  let from = 0;
  const drawn = parts.map((one, i) => {
    const share = whole > 0 ? one.weight / whole : 1 / parts.length;
    const field = upright
      ? { ...inner, y: inner.y + from * inner.height, height: share * inner.height }
      : { ...inner, x: inner.x + from * inner.width, width: share * inner.width };
    from += share;
    const filling = FILLINGS[i % FILLINGS.length] ?? FILLINGS[0];
    const own =
      i === 0
        ? field
        : upright
          ? { ...field, y: field.y + wall, height: Math.max(0, field.height - wall) }
          : { ...field, x: field.x + wall, width: Math.max(0, field.width - wall) };
    return filling
      ? partOf(one, own, filling, { radius: corner * 0.72, first: i === 0, last: i === parts.length - 1, upright }, looks, setting)
      : { marks: [], label: [] };
  });
  return [
    {
      role: 'Figure',
      alt: `One ${card.servingName} from above: ${parts.map(({ grams, part }) => `${grams} g ${part}`).join(', ')}`,
      marks: [
        { kind: 'shape', path: roundRectangle(x + 2 * u, y + 5 * u, width, height, corner), fill: 'ink', opacity: 0.1 },
        { kind: 'shape', path: roundRectangle(x, y, width, height, corner), fill: 'paper', stroke: 'steel', strokeWidth: 1.2 * u },
        { kind: 'shape', path: roundRectangle(inner.x, inner.y, inner.width, inner.height, corner * 0.72), fill: 'rule' },
        ...drawn.flatMap(({ marks }) => marks),
      ],
    },
    ...drawn.flatMap(({ label }) => label),
  ];
}

interface Corners {
  readonly radius: number;
  readonly first: boolean;
  readonly last: boolean;
  readonly upright: boolean;
}

function partOf(
  part: { readonly grams: string; readonly part: string },
  field: Field,
  filling: Filling,
  corners: Corners,
  looks: Looks,
  setting: Setting,
): { readonly marks: readonly Mark[]; readonly label: readonly Block[] } {
  const { u } = looks;
  const label = labelOf(part, field, filling, looks, setting);
  const labelled = label.reduce((sum, { height }) => sum + height, 0);
  const top = field.y + (field.height - labelled) / 2;
  // Nothing is strewn where words stand.
  const kept = labelled === 0 ? undefined : { y: top - 5 * u, height: labelled + 10 * u };
  let down = top;
  return {
    marks: [{ kind: 'shape', path: compartment(field, corners), fill: filling.fill }, ...strewn(filling, field, corners.radius, kept, u)],
    label: label.flatMap((item) => {
      const blocks = item.draw(field.x + 8 * u, down);
      down += item.height;
      return blocks;
    }),
  };
}

/** Grams and name of a part, in the middle of its field; nothing where they do not fit: they stand in the docket too. */
function labelOf(
  { grams, part }: { readonly grams: string; readonly part: string },
  field: Field,
  { number, name }: Filling,
  { run, u }: Looks,
  setting: Setting,
): readonly Item[] {
  const width = field.width - 16 * u;
  const said = [run(grams, 'serifBold', 27, number), run('\u00a0g', 'sans', 16, name)];
  const look = { width, align: 'middle', role: 'Ornament' } as const;
  if (width <= 0 || widthOfRuns(said, setting.set) > width || field.height < 34 * u) return [];
  const numbered = textItem(said, { ...look, leading: 32 * u }, setting);
  const fits = part.split(/\s+/).every((word) => widthOfRuns([run(word, 'sans', 15)], setting.set) <= width);
  const named = fits ? textItem([run(part, 'sans', 15, name)], { ...look, leading: 19 * u }, setting) : undefined;
  return named && numbered.height + named.height <= field.height - 6 * u ? [numbered, named] : [numbered];
}

/** A field of the box: its outer corners are round as the box's are. */
function compartment({ x, y, width, height }: Field, { radius, first, last, upright }: Corners): string {
  const r = Math.min(radius, width / 2, height / 2);
  const [right, bottom] = [x + width, y + height];
  const round = {
    topLeft: first ? r : 0,
    topRight: (upright ? first : last) ? r : 0,
    bottomRight: last ? r : 0,
    bottomLeft: (upright ? last : first) ? r : 0,
  };
  const arc = (by: number, toX: number, toY: number) => (by === 0 ? '' : `A${at(by)} ${at(by)} 0 0 1 ${at(toX)} ${at(toY)}`);
  return [
    `M${at(x + round.topLeft)} ${at(y)}H${at(right - round.topRight)}${arc(round.topRight, right, y + round.topRight)}`,
    `V${at(bottom - round.bottomRight)}${arc(round.bottomRight, right - round.bottomRight, bottom)}`,
    `H${at(x + round.bottomLeft)}${arc(round.bottomLeft, x, bottom - round.bottomLeft)}`,
    `V${at(y + round.topLeft)}${arc(round.topLeft, x + round.topLeft, y)}Z`,
  ].join('');
}

/** Beads, grains or waves of a part, so that parts are told apart without colour; off its round corners and its words. */
function strewn(
  { pattern, stroke, opacity }: Filling,
  { x, y, width, height }: Field,
  radius: number,
  kept: { readonly y: number; readonly height: number } | undefined,
  u: number,
): ShapeMark[] {
  if (pattern === 'none') return [];
  const gap = 15 * u;
  const inset = Math.min(radius * 0.45, width / 5, height / 5) + 3 * u;
  const pieces: string[] = [];
  let row = 0;
  for (let py = y + inset; py <= y + height - inset; py += gap, row++) {
    if (kept && py > kept.y - 3 * u && py < kept.y + kept.height + 3 * u) continue;
    for (let px = x + inset + ((row % 2) * gap) / 2; px <= x + width - inset - 6 * u; px += gap) pieces.push(PIECES[pattern](px, py, u));
  }
  if (pieces.length === 0) return [];
  const path = pieces.join('');
  return [
    pattern === 'beads' ? { kind: 'shape', path, fill: stroke, opacity } : { kind: 'shape', path, stroke, strokeWidth: 2 * u, opacity },
  ];
}

const PIECES: Readonly<Record<'beads' | 'grains' | 'waves', (x: number, y: number, u: number) => string>> = {
  beads: (x, y, u) =>
    `M${at(x)} ${at(y)}A${at(2.6 * u)} ${at(2.6 * u)} 0 1 1 ${at(x + 5.2 * u)} ${at(y)}A${at(2.6 * u)} ${at(2.6 * u)} 0 1 1 ${at(x)} ${at(y)}Z`,
  grains: (x, y, u) => `M${at(x)} ${at(y + 1.8 * u)}L${at(x + 5 * u)} ${at(y - 0.6 * u)}`,
  waves: (x, y, u) => `M${at(x)} ${at(y)}C${at(x + 2 * u)} ${at(y - 3 * u)} ${at(x + 4 * u)} ${at(y + 3 * u)} ${at(x + 6 * u)} ${at(y)}`,
};
