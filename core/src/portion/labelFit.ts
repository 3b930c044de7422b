import type { LabelSheet } from '../recipe/index.js';
import type { BoxLabel } from './boxLabel.js';

const POINTS_PER_MM = 72 / 25.4;
/** Largest and smallest letters, points: under the smallest nobody reads it at arm's length. */
const LARGEST = 11;
const SMALLEST = 5.5;
const STEP = 0.25;
/** Widths of letters of the label's faces over their size, on the wide side: what is reckoned to fit, fits. */
const WIDTHS: readonly (readonly [RegExp, number])[] = [
  [/[ilj.,:;'’|!()[\]\u00a0 ]/, 0.33],
  [/[mwMW@%—]/, 0.9],
  [/[A-ZÀ-Þ&]/, 0.72],
  [/[\u0020-\u024f]/, 0.57],
];
/** A letter of any other script. */
const WIDEST = 1.1;
/** Height of a row over the size of its letters. */
const ROW = 1.28;
/** Millimetres round what is printed, and of the code. */
export const LABEL_PADDING = 2.5;
const CODE = 13;

/** Rows of a label and how large their letters are beside the plain ones. */
export const LABEL_SIZES = { title: 1.3, head: 0.9, keep: 1.25, figures: 1, contains: 1, small: 0.86 } as const;

/** How a label is set in a cell. */
export interface LabelFit {
  /** Points of plain letters. */
  readonly size: number;
  /** Whether the code and how to reheat are on it: they go first where there is no room. */
  readonly code: boolean;
  readonly reheat: boolean;
  /** false: not even the smallest letters have room for what must be on it. */
  readonly fits: boolean;
}

/**
 * Sets a label in a cell as large as it goes. Without room the code goes first, then how to reheat; name, days, figures and allergens
 * never do: where they have no room, it does not fit, and is not printed.
 *
 * @param cell millimetres
 */
export function labelFit(label: BoxLabel, cell: LabelSheet['cell']): LabelFit {
  const ways = [
    { code: true, reheat: true },
    { code: false, reheat: true },
    { code: false, reheat: false },
  ] as const;
  // Letters that are easy to read come before what may go.
  for (const least of [7, SMALLEST])
    for (const way of ways)
      for (let size = LARGEST; size >= least; size -= STEP)
        if (heightOf(label, way, size, cell) <= (cell.height - 2 * LABEL_PADDING) * POINTS_PER_MM) return { size, ...way, fits: true };
  return { size: SMALLEST, code: false, reheat: false, fits: false };
}

/** "box 550 g, energy 565 kcal, ...": no figure is parted from its name or its unit. */
export function labelFiguresText({ figures }: BoxLabel): string {
  return figures.map(({ name, text }) => `${name} ${text}`.replaceAll(' ', '\u00a0')).join(', ');
}

/** The line under the title: series, who it is for, and when it was cooked. */
export function labelHeadText({ series, name, cooked }: BoxLabel): string {
  return [series, name, `cooked ${cooked}`].filter((one) => one !== '').join(' · ');
}

/** What is in it that somebody may not eat. */
export function labelContainsText({ contains }: BoxLabel): string {
  return contains.length === 0 ? '' : `Contains ${contains.join(', ')}`;
}

export function labelMayText({ mayContain }: BoxLabel): string {
  return mayContain.length === 0 ? '' : `May contain ${mayContain.join(', ')}`;
}

export function labelNotKnownText({ notKnown }: BoxLabel): string {
  return notKnown.length === 0 ? '' : `Not known what is in: ${notKnown.join('; ')}`;
}

function heightOf(label: BoxLabel, { code, reheat }: Pick<LabelFit, 'code' | 'reheat'>, size: number, cell: LabelSheet['cell']): number {
  const width = (cell.width - 2 * LABEL_PADDING) * POINTS_PER_MM;
  const beside = width - CODE * POINTS_PER_MM - 4;
  const rows = (text: string, scale: number, across: number) =>
    text === '' ? 0 : wrappedRows(text, across / (size * scale)) * size * scale * ROW;
  const middle =
    rows(labelFiguresText(label), LABEL_SIZES.figures, code ? beside : width) +
    rows(labelContainsText(label), LABEL_SIZES.contains, code ? beside : width) +
    rows(labelMayText(label), LABEL_SIZES.small, code ? beside : width) +
    rows(labelNotKnownText(label), LABEL_SIZES.contains, code ? beside : width);
  return (
    rows(label.title, LABEL_SIZES.title, width) +
    rows(labelHeadText(label), LABEL_SIZES.head, width) +
    rows(`${label.keepWords} ${label.keepDay}`, LABEL_SIZES.keep, width) +
    rows(label.beyond, LABEL_SIZES.small, width) +
    Math.max(middle, code ? CODE * POINTS_PER_MM : 0) +
    (reheat ? rows(label.reheat, LABEL_SIZES.small, width) : 0) +
    // Two rules and the air about them.
    6
  );
}

/** Rows that a text takes where a row is so many times as long as its letters are high, broken between words. */
function wrappedRows(text: string, length: number): number {
  let count = 1;
  let on = 0;
  for (const word of text.split(' ')) {
    const long = widthOf(word);
    if (on > 0 && on + widthOf(' ') + long > length) {
      count++;
      on = 0;
    }
    if (long > length) {
      count += Math.ceil(long / Math.max(length, 1));
      on = length;
    } else on += (on > 0 ? widthOf(' ') : 0) + long;
  }
  return count;
}

function widthOf(text: string): number {
  let width = 0;
  for (const letter of text) width += WIDTHS.find(([letters]) => letters.test(letter))?.[1] ?? WIDEST;
  return width;
}
