import {
  drawnDown,
  filled,
  heightOf,
  looksAt,
  roundRectangle,
  textItem,
  ticketPath,
  titleItem,
  type Block,
  type Item,
} from '../sheet/index.js';
import type { BookletPage, BookletTitle } from './booklet.js';
import type { ListLook } from './listPages.js';

const U = 0.6;
const MARGIN = 54;
/** Share of the page above the paper that is torn off it. */
const ABOVE = 0.3;

/** The title page: the series on a ticket torn from the kitchen's own paper, with what it says of itself. */
export function titlePage(title: BookletTitle, count: number, { width, height, setting }: ListLook): BookletPage {
  const looks = looksAt(U);
  const { run, u } = looks;
  const { name, subtitle = '', about = '', publication, address = '', mark = '', on } = title;
  const inner = width - 2 * MARGIN * u;
  const edge = height * ABOVE;
  const words: Item[] = [
    titleItem(name, inner, 74, looks, setting),
    ...(subtitle === ''
      ? []
      : [textItem([run(subtitle, 'serifItalic', 25, 'text')], { width: inner, leading: 33 * u, gap: 10 * u }, setting)]),
    textItem(
      [run(count === 1 ? 'One dish' : `${count} dishes`, 'sansBold', 17, 'damson')],
      { width: inner, leading: 24 * u, gap: 16 * u },
      setting,
    ),
    ...about
      .split(/\n\s*\n/)
      .filter((paragraph) => paragraph.trim() !== '')
      .map((paragraph) =>
        textItem(
          [run(paragraph.replace(/\s+/g, ' '), 'serif', 18, 'text')],
          { width: Math.min(inner, 560 * u), leading: 26 * u, gap: 14 * u },
          setting,
        ),
      ),
  ];
  const foot = [
    textItem([run(publication, 'serifBold', 20, 'damson')], { width: inner, leading: 27 * u }, setting),
    ...[address, on].flatMap((line) =>
      line === '' ? [] : [textItem([run(line, 'sans', 15, 'ink2')], { width: inner, leading: 21 * u }, setting)],
    ),
  ];
  const x = MARGIN * u;
  const stamp = 104 * u;
  const blocks: Block[] = [
    {
      role: 'Ornament',
      marks: [
        filled(0, 0, width, height, 'damson'),
        { kind: 'shape', path: ticketPath(0, edge, width, height - edge, 8 * u), fill: 'ticket' },
        ...(mark === ''
          ? []
          : [{ kind: 'shape' as const, path: roundRectangle(x, edge / 2 - stamp / 2, stamp, stamp, stamp / 2), fill: 'ticket' as const }]),
      ],
    },
    ...(mark === ''
      ? []
      : textItem(
          [run(mark, 'serifBold', mark.length > 2 ? 38 : 46, 'damson')],
          { width: stamp, leading: stamp, align: 'middle', role: 'Ornament' },
          setting,
        ).draw(x, edge / 2 - stamp / 2)),
    ...drawnDown(words, x, edge + 54 * u),
    ...drawnDown(foot, x, height - 54 * u - heightOf(foot)),
  ];
  return { blocks, filled: 1, anchor: 'title' };
}
