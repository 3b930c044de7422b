import { ASCENT_EMS, type Typesetter } from './face.js';
import type { Block, Mark, Role } from './mark.js';
import { brokenText, marksOfLine, type Run, type TextLine } from './paragraph.js';

/** Something that stands in a column: how high it is, and how it is drawn with its upper left corner at a place. */
export interface Item {
  readonly height: number;
  /** Room above it, left out at the top of a column. */
  readonly gap: number;
  /** It is never the last of a column: a heading. */
  readonly keepsNext?: boolean;
  readonly draw: (x: number, y: number) => readonly Block[];
  /** In two, the first no higher than given; undefined where it cannot be, or ought not. */
  readonly split?: (most: number) => readonly [Item, Item] | undefined;
}

/** How a paragraph is set. */
export interface TextLook {
  readonly width: number;
  /** From baseline to baseline. */
  readonly leading: number;
  readonly gap?: number;
  readonly role?: Role;
  readonly list?: string;
  readonly figure?: string;
  readonly align?: 'left' | 'right' | 'middle';
  readonly keepsNext?: boolean;
  /** Marks beside it: a number that hangs in the margin, an amount before its food. */
  readonly hangs?: (x: number, baseline: number) => readonly Mark[];
  /** How far its lines are set in, behind what hangs. */
  readonly inset?: number;
  /** Lines that may be parted from each other, two at least on either side. */
  readonly mayPart?: boolean;
}

/** What laying out knows and gathers. */
export interface Setting {
  readonly set: Typesetter;
  /** Words that had to be cut, gathered as they are drawn. */
  readonly torn: Set<string>;
}

/** A paragraph. */
export function textItem(runs: readonly Run[], look: TextLook, { set, torn }: Setting): Item {
  const broken = brokenText(runs, look.width - (look.inset ?? 0), set);
  const item = linesItem(broken.lines, look, true);
  if (broken.torn.length === 0) return item;
  // Only what is drawn in the end is torn.
  return {
    ...item,
    draw: (x, y) => {
      for (const words of broken.torn) torn.add(words);
      return item.draw(x, y);
    },
  };
}

function linesItem(lines: readonly TextLine[], look: TextLook, first: boolean): Item {
  const { leading, width, role = 'P', align = 'left', inset = 0 } = look;
  const height = lines.length * leading;
  return {
    height,
    gap: look.gap ?? 0,
    ...(look.keepsNext ? { keepsNext: true } : {}),
    draw: (x, y) => {
      const baselineOf = (i: number) => y + i * leading + baselineIn(leading, lines[i]);
      const marks = lines.flatMap((line, i) => {
        const free = width - inset - line.width;
        return marksOfLine(line, x + inset + (align === 'right' ? free : align === 'middle' ? free / 2 : 0), baselineOf(i));
      });
      const hung = first ? (look.hangs?.(x, baselineOf(0)) ?? []) : [];
      return [
        {
          role,
          ...(look.list === undefined ? {} : { list: look.list }),
          ...(look.figure === undefined ? {} : { figure: look.figure }),
          marks: [...hung, ...marks],
        },
      ];
    },
    ...(look.mayPart && lines.length >= 4
      ? {
          split: (most) => {
            const count = Math.min(lines.length - 2, Math.floor(most / leading + 1e-9));
            return count < 2 ? undefined : [linesItem(lines.slice(0, count), look, first), linesItem(lines.slice(count), look, false)];
          },
        }
      : {}),
  };
}

/** The baseline of a line within its height: the letters stand in its middle. */
function baselineIn(leading: number, line: TextLine | undefined): number {
  const size = Math.max(0, ...(line?.runs.map((run) => run.size) ?? []));
  return (leading - size * 1.2) / 2 + size * ASCENT_EMS;
}

/** Items one below the other, as one that stays together. */
export function stackItem(items: readonly Item[], gap = 0): Item {
  return {
    height: heightOf(items),
    gap,
    draw: (x, y) => drawnDown(items, x, y),
  };
}

/** How high items are one below the other. */
export function heightOf(items: readonly Item[]): number {
  return items.reduce((sum, { height, gap }, i) => sum + height + (i === 0 ? 0 : gap), 0);
}

/** Items drawn one below the other. */
export function drawnDown(items: readonly Item[], x: number, y: number): Block[] {
  let at = y;
  return items.flatMap(({ height, gap, draw }, i) => {
    if (i > 0) at += gap;
    const blocks = draw(x, at);
    at += height;
    return blocks;
  });
}

/** An item of marks of its own. */
export function drawnItem(height: number, gap: number, role: Role, draw: (x: number, y: number) => readonly Mark[], alt?: string): Item {
  return { height, gap, draw: (x, y) => [{ role, ...(alt === undefined ? {} : { alt }), marks: draw(x, y) }] };
}
