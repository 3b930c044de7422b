import { cardFacts, type CardContent } from '../card/index.js';
import type { Looks } from './looks.js';
import { brokenText, marksOfLine, widthOfRuns, type Run } from './paragraph.js';
import { ruled } from './shapes.js';
import { stackItem, textItem, type Item, type Setting } from './stack.js';

/** How a head is set. */
export interface HeadLook {
  readonly width: number;
  /** Pixels of the title's letters. */
  readonly title: number;
  readonly lead: number;
}

/** Series and publication, title, lead, and the facts of a dish. */
export function headItems(card: CardContent, look: HeadLook, looks: Looks, setting: Setting): readonly Item[] {
  return [
    ...seriesItems(card, look.width, looks, setting),
    titleItem(card.title, look.width, look.title, looks, setting),
    ...(card.lead === '' ? [] : [leadItem(card.lead, look.width, look.lead, looks, setting)]),
    factsItem(card, look.width, looks, setting),
  ];
}

/** Series at the left, publication at the right; none where there is neither. */
export function seriesItems(
  { series, publication = '' }: CardContent,
  width: number,
  { run, u }: Looks,
  setting: Setting,
): readonly Item[] {
  if (series === '' && publication === '') return [];
  const left = [run(series, 'sansBold', 15.5, 'damson')];
  const right = [run(publication, 'serifBold', 15.5, 'damson')];
  const beside = widthOfRuns(left, setting.set) + 12 * u + widthOfRuns(right, setting.set) <= width;
  if (!beside) return [left, right].flatMap((runs) => (runs[0]?.words === '' ? [] : [textItem(runs, { width, leading: 21 * u }, setting)]));
  return [
    {
      height: 21 * u,
      gap: 0,
      draw: (x, y) => [
        {
          role: 'P',
          marks: [left, right].flatMap((runs, i) => {
            const [line] = brokenText(runs, width, setting.set).lines;
            return line ? marksOfLine(line, i === 0 ? x : x + width - line.width, y + 16 * u) : [];
          }),
        },
      ],
    },
  ];
}

/** The title, its lines about as long as each other; smaller where a word of it would not fit. */
export function titleItem(title: string, width: number, size: number, looks: Looks, setting: Setting): Item {
  const { run, u } = looks;
  let at = size;
  const longest = () => Math.max(0, ...title.split(/\s+/).map((word) => widthOfRuns([run(word, 'serifBold', at)], setting.set)));
  while (at > size * 0.45 && (longest() > width || brokenText([run(title, 'serifBold', at)], width, setting.set).lines.length > 3)) at -= 1;
  const runs = [run(title, 'serifBold', at)];
  const item = textItem(runs, { width: balancedWidth(runs, width, setting), leading: at * 1.08 * u, gap: 5 * u, role: 'H1' }, setting);
  return item;
}

export function leadItem(lead: string, width: number, size: number, { run, u }: Looks, setting: Setting): Item {
  return textItem([run(lead, 'serifItalic', size, 'text')], { width, leading: size * 1.38 * u, gap: 8 * u }, setting);
}

/** The narrowest column in which runs take no more lines than in a wider one. */
function balancedWidth(runs: readonly Run[], width: number, { set }: Setting): number {
  const lines = brokenText(runs, width, set).lines.length;
  if (lines < 2) return width;
  let [low, high] = [width / lines / 1.2, width];
  for (let i = 0; i < 12; i++) {
    const middle = (low + high) / 2;
    const { lines: broken, torn } = brokenText(runs, middle, set);
    if (broken.length <= lines && torn.length === 0) high = middle;
    else low = middle;
  }
  return high;
}

/** Servings, minutes and what it is cooked in, each over what it is, between two rules. */
export function factsItem(card: CardContent, width: number, { run, u }: Looks, setting: Setting): Item {
  const between = 22 * u;
  const cells = cardFacts(card).map(({ said, of, last = false }) => {
    const column = (most: number) =>
      stackItem([
        textItem([run(said, 'serifBold', 18.5)], { width: most, leading: 22 * u }, setting),
        ...(of === '' ? [] : [textItem([run(of, 'sans', 14, 'ink2')], { width: most, leading: 18 * u }, setting)]),
      ]);
    const wide = Math.max(
      widthOfRuns([run(said, 'serifBold', 18.5)], setting.set),
      widthOfRuns([run(of, 'sans', 14, 'ink2')], setting.set),
    );
    const most = Math.min(width, wide + 0.01);
    return { width: most, item: column(most), last };
  });
  const rows: (typeof cells)[] = [[]];
  let used = 0;
  for (const cell of cells) {
    const row = rows.at(-1);
    if (row && row.length > 0 && used + between + cell.width > width) {
      rows.push([cell]);
      used = cell.width;
    } else {
      row?.push(cell);
      used += (row?.length === 1 ? 0 : between) + cell.width;
    }
  }
  const heights = rows.map((row) => Math.max(0, ...row.map(({ item }) => item.height)));
  const inner = heights.reduce((sum, height) => sum + height, 0) + (rows.length - 1) * 5 * u;
  return {
    height: inner + 16 * u,
    gap: 11 * u,
    draw: (x, y) => {
      let top = y + 8 * u;
      const drawn = rows.flatMap((row, r) => {
        const free = width - row.reduce((sum, cell) => sum + cell.width, 0) - (row.length - 1) * between;
        let left = x;
        const blocks = row.flatMap((cell, i) => {
          if (cell.last && i > 0 && rows.length === 1) left += free;
          const made = cell.item.draw(left, top);
          left += cell.width + between;
          return made;
        });
        top += (heights[r] ?? 0) + 5 * u;
        return blocks;
      });
      return [
        { role: 'Ornament', marks: [ruled(x, y, width, 'rule', 1 * u), ruled(x, y + inner + 16 * u, width, 'rule', 1 * u)] },
        ...drawn,
      ];
    },
  };
}

/** What stands over the pages behind the first: which dish this is, and which page. */
export function runningHead(card: CardContent, page: number, pages: number, width: number, { run, u }: Looks, setting: Setting): Item {
  const folio = [run(`${page} of ${pages}`, 'sansBold', 14.5, 'ink2')];
  const wide = widthOfRuns(folio, setting.set) + 14 * u;
  const named = textItem([run(card.title, 'serifBold', 15.5, 'damson')], { width: width - wide, leading: 21 * u }, setting);
  return {
    height: named.height + 12 * u,
    gap: 0,
    draw: (x, y) => [
      ...named.draw(x, y),
      ...textItem(folio, { width, leading: 21 * u, align: 'right' }, setting).draw(x, y),
      { role: 'Ornament', marks: [ruled(x, y + named.height + 4 * u, width, 'rule', 1 * u)] },
    ],
  };
}
