import { spokenFigure, type CardContent, type CardFigure } from '../card/index.js';
import type { Looks } from './looks.js';
import type { Block, Mark } from './mark.js';
import { nutrientField } from './nutrientPattern.js';
import { brokenText, marksOfLine, widthOfRuns, type Run } from './paragraph.js';
import { at, ticketPath } from './shapes.js';
import { textItem, type Item, type Setting } from './stack.js';
import { largeFigure, splitItem } from './ticket.js';

/** Figures that have a cell of their own, those within them below. */
const WITHIN_OF: { readonly [figure: string]: string | undefined } = { sugars: 'carbohydrate', saturates: 'fat' };
const PATTERNED = new Set(['protein', 'carbohydrate', 'fat', 'fibre']);

/** A cell: a name, its figure under it, and what of it is something else. */
interface Cell {
  readonly figure: CardFigure;
  readonly within: readonly CardFigure[];
}

/** A ticket across a page: energy in large with where it comes from, and each other figure under its own name, lines between them. */
export function figuresAcross(card: CardContent, width: number, looks: Looks, setting: Setting): Item {
  const { u } = looks;
  const cells = cellsOf(card);
  const pad = 16 * u;
  const energyWidth = Math.min(0.3 * width, 230 * u);
  const energy = energyItems(card, energyWidth - 10 * u, looks, setting);
  // Each as wide as its name and figure ask for, and what is left in equal shares.
  const free = width - energyWidth - 2 * pad;
  const asked = cells.map((cell) => askedWidth(cell, looks, setting) + 20 * u);
  const least = cells.map((cell, i) => Math.min(asked[i] ?? 0, leastWidth(cell, looks, setting) + 20 * u));
  const widths = sharedOut(asked, least, free);
  const lefts = widths.map((_, i) => pad + energyWidth + widths.slice(0, i).reduce((sum, one) => sum + one, 0));
  const drawn = cells.map((cell, i) => cellItem(cell, (widths[i] ?? 0) - 20 * u, looks, setting));
  const inner = Math.max(
    energy.reduce((sum, { height }) => sum + height, 0),
    ...drawn.map(({ height }) => height),
  );
  const height = inner + 32 * u;
  return {
    height,
    gap: 16 * u,
    draw: (x, y) => {
      let top = y + 18 * u;
      const first = energy.flatMap((item) => {
        const blocks = item.draw(x + pad, top);
        top += item.height;
        return blocks;
      });
      const lines: Mark[] = cells.map((_, i): Mark => {
        const left = x + (lefts[i] ?? 0);
        return { kind: 'shape', path: `M${at(left)} ${at(y + 18 * u)}V${at(y + height - 14 * u)}`, stroke: 'ticketRule', strokeWidth: u };
      });
      return [
        {
          role: 'Ornament',
          marks: [
            { kind: 'shape', path: ticketPath(x, y, width, height, 5.5 * u), fill: 'ticket', stroke: 'tear', strokeWidth: 0.8 * u },
            ...lines,
          ],
        },
        ...first,
        ...drawn.flatMap((item, i): readonly Block[] => item.draw(x + (lefts[i] ?? 0) + 10 * u, y + 18 * u)),
      ];
    },
  };
}

function cellsOf({ macros, index, used, servingName }: CardContent): readonly Cell[] {
  const own = macros.filter(({ figure }) => {
    const of = WITHIN_OF[figure];
    return of === undefined || !macros.some((one) => one.figure === of);
  });
  return [
    ...own.map((figure) => ({ figure, within: macros.filter((one) => WITHIN_OF[one.figure] === figure.figure) })),
    ...(index ? [{ figure: index, within: [] }] : []),
    ...(used ? [{ figure: { ...used, name: `A ${servingName}` }, within: [] }] : []),
  ];
}

function energyItems(card: CardContent, width: number, looks: Looks, setting: Setting): readonly Item[] {
  const { run, u } = looks;
  const { energy, energyKj, weight, servingName } = card;
  const kj = energyKj ? spokenFigure(energyKj) : undefined;
  const plain = (words: string, size = 14.5) => textItem([run(words, 'sans', size, 'ink2')], { width, leading: 19 * u }, setting);
  return [
    textItem(
      [run('Energy', 'sansBold', 14.5, 'ink2'), run(`, a ${servingName} of ${weight.text}\u00a0g`, 'sans', 14.5, 'ink2')],
      { width, leading: 19 * u, figure: 'weight' },
      setting,
    ),
    ...(energy ? [largeFigure(energy, width, looks, setting, 56)] : [plain('not known')]),
    ...(card.energyShares.length > 0 ? [splitItem(card, width, 12 * u, 4 * u, looks)] : []),
    ...(kj ? [{ ...plain([kj.qualifier, kj.number, 'kJ'].filter(Boolean).join(' '), 14) }] : []),
    ...((card.claims ?? []).length > 0 ? [plain((card.claims ?? []).join(', '), 13.5)] : []),
  ];
}

function askedWidth(cell: Cell, looks: Looks, { set }: Setting): number {
  const { figure } = cell;
  const { run } = looks;
  const { number, unit } = spokenFigure(figure);
  const said = [run(number, 'serifBold', 27), run(unit === '' ? '' : `\u00a0${unit}`, 'sans', 14)];
  const below = belowOf(cell, false).flatMap((words) => words.split(' ').map((word) => widthOfRuns([run(word, 'sans', 13)], set)));
  return Math.max(widthOfRuns(namedRuns(figure, 14.5, looks), set), widthOfRuns(said, set), ...below);
}

/** A name over its figure: the figure is as large as its cell allows, and always in one line. */
function cellItem(cell: Cell, width: number, looks: Looks, setting: Setting): Item {
  const { run, u } = looks;
  const { figure } = cell;
  const { number, unit } = spokenFigure(figure);
  const patterned = PATTERNED.has(figure.figure);
  // How it is meant stands behind the name, or under the figure where there is no room.
  const named = widthOfRuns(namedRuns(figure, 13, looks), setting.set) <= width;
  const name = (size: number) => (named ? namedRuns(figure, size, looks) : [run(figure.name, 'sans', size)]);
  const nameSize = fitting(name, 14.5, 10.5, width, setting);
  const said = (size: number): Run[] => [
    run(number, 'serifBold', size),
    ...(unit === '' ? [] : [run(`\u00a0${unit}`, 'sans', Math.max(11, size * 0.52), 'ink2')]),
  ];
  const size = fitting(said, 27, 13, width, setting);
  const below = belowOf(cell, !named).map((words) => textItem([run(words, 'sans', 13, 'ink2')], { width, leading: 16 * u }, setting));
  const height = 12 * u + 20 * u + 34 * u + below.reduce((sum, item) => sum + item.height, 0);
  return {
    height,
    gap: 0,
    draw: (x, y) => {
      const sign = patterned ? nutrientField(figure.figure as 'protein', x, y + 1 * u, Math.min(width, 30 * u), 7 * u, u) : [];
      const oneLine = (runs: readonly Run[], baseline: number) => {
        const [line] = brokenText(runs, width * 3, setting.set).lines;
        return line ? marksOfLine(line, x, baseline) : [];
      };
      let top = y + 66 * u;
      const more = below.flatMap((item) => {
        const blocks = item.draw(x, top);
        top += item.height;
        return blocks;
      });
      return [
        {
          role: 'P',
          figure: figure.figure,
          marks: [...sign, ...oneLine(name(nameSize), y + 27 * u), ...oneLine(said(size), y + 56 * u)],
        },
        ...more,
      ];
    },
  };
}

/** What no cell may be narrower than: its longest word. */
function leastWidth(cell: Cell, { run }: Looks, { set }: Setting): number {
  const words = [...belowOf(cell, true), cell.figure.name].flatMap((said) => said.split(' '));
  return Math.max(...words.map((word) => widthOfRuns([run(word, 'sans', 13)], set)));
}

/** Widths that are all of the room: each what it asks for and an equal share of the rest, or as much of it as leaves everybody their least. */
function sharedOut(asked: readonly number[], least: readonly number[], room: number): readonly number[] {
  const sum = (of: readonly number[]) => of.reduce((all, one) => all + one, 0);
  const [all, needed] = [sum(asked), sum(least)];
  if (all <= room) return asked.map((one) => one + (room - all) / asked.length);
  if (needed >= room) return least.map((one) => (one / needed) * room);
  return asked.map((one, i) => (least[i] ?? 0) + ((one - (least[i] ?? 0)) / (all - needed)) * (room - needed));
}

/** A figure's name, and how it is meant: "Fibre, at least". */
function namedRuns({ name, ...figure }: CardFigure, size: number, { run }: Looks): readonly Run[] {
  const { qualifier } = spokenFigure({ name, ...figure });
  return [run(name, 'sans', size), ...(qualifier === '' ? [] : [run(`, ${qualifier}`, 'sans', Math.min(13, size), 'ink2')])];
}

/** What stands small under a figure: how it is meant, where its name has no room for that; what of it is something else, and what it is of. */
function belowOf({ figure, within }: Cell, qualified: boolean): readonly string[] {
  const { qualifier } = spokenFigure(figure);
  return [
    ...(qualified && qualifier !== '' ? [qualifier] : []),
    ...within.map((one) => {
      const spoken = spokenFigure(one);
      return `${[spoken.qualifier, spoken.number].filter(Boolean).join(' ')}\u00a0${spoken.unit} ${one.name.toLowerCase()}`;
    }),
    ...(figure.figure === 'usedCost' ? ['of what is used'] : []),
  ];
}

/** The largest size, down to a least, at which runs fit in one line. */
function fitting(runsAt: (size: number) => readonly Run[], most: number, least: number, width: number, { set }: Setting): number {
  let size = most;
  while (size > least && widthOfRuns(runsAt(size), set) > width) size -= 0.5;
  return size;
}
