import { allergenText, correctionText, wayLead, type CardContent, type CardLine, type CardSection, type CardStep } from '../card/index.js';
import { numbersKept, unbroken } from '../card/index.js';
import { remembered, type AtWidth } from './columns.js';
import type { Looks } from './looks.js';
import { filled } from './shapes.js';
import { widthOfRuns, marksOfLine, brokenText, type Run } from './paragraph.js';
import { textItem, type Item, type Setting } from './stack.js';

/** A heading over what follows. */
export function headingItem(words: string, width: number, { run, u }: Looks, setting: Setting, gap = 12): Item {
  return textItem([run(words, 'sansBold', 15.5, 'damson')], { width, leading: 22 * u, gap: gap * u, role: 'H2', keepsNext: true }, setting);
}

/** What a part is called over its ingredients. */
export function sectionName({ name, served }: Pick<CardSection, 'name' | 'served'>): string {
  return `${name}${served === 'table' ? ', at the table' : served === 'optional' ? ', if you like' : ''}`;
}

/** The ingredients, part by part: amounts hang right-aligned before what they are of. */
export function ingredientEntries(card: CardContent, looks: Looks, setting: Setting): readonly AtWidth[] {
  return card.sections.flatMap((section, s) => {
    if (section.lines.length === 0) return [];
    const heading = remembered((width) => headingItem(sectionName(section), width, looks, setting, s === 0 ? 0 : 12));
    return [heading, ...section.lines.map((line) => remembered((width) => ingredientItem(line, section, s, width, looks, setting)))];
  });
}

function ingredientItem(line: CardLine, section: CardSection, s: number, width: number, looks: Looks, setting: Setting): Item {
  const { run, u } = looks;
  const amount = run(amountOf(line), 'serifBold', 16);
  // As wide as the widest amount of the part, so that they all end at one edge; one that is very wide begins its line instead.
  const most = 0.36 * width;
  const widths = section.lines.map((one) => widthOfRuns([run(amountOf(one), 'serifBold', 16)], setting.set)).filter((wide) => wide <= most);
  const column = Math.max(0, ...widths);
  const own = widthOfRuns([amount], setting.set);
  const hangs = amount.words !== '' && own <= most;
  const words = foodRuns(line, looks);
  return textItem(
    hangs || amount.words === '' ? words : [run(`${unbroken(amount.words)} `, 'serifBold', 16), ...words],
    {
      width,
      leading: 21.5 * u,
      gap: 1.5 * u,
      role: 'LI',
      list: `ingredients ${s}`,
      inset: column === 0 ? 0 : column + 8 * u,
      ...(hangs
        ? {
            hangs: (x, baseline) =>
              brokenText([amount], width, setting.set).lines.flatMap((one) => marksOfLine(one, x + column - own, baseline)),
          }
        : {}),
    },
    setting,
  );
}

function amountOf({ amount }: CardLine): string {
  return amount === 'to taste' ? '' : amount;
}

/** What a line is, how it is prepared, what must be named, and its amount a second way. */
function foodRuns({ amount, food, note, optional, allergens, second }: CardLine, { run }: Looks): Run[] {
  const words = [amount === 'to taste' ? `${food}, to taste` : food, note, optional ? 'optional' : ''].filter(Boolean).join(', ');
  return [
    run(numbersKept(words), 'serif', 16),
    ...(allergens.length > 0 ? [run(' (', 'serif', 16), run(allergens.join(', '), 'serifBold', 16), run(')', 'serif', 16)] : []),
    ...(second === '' ? [] : [run(` ${unbroken(second)}`, 'sans', 13.5, 'ink2')]),
  ];
}

/** The method, its numbers hanging beside their steps. */
export function stepItems(card: CardContent, width: number, looks: Looks, setting: Setting): readonly Item[] {
  const { run, u } = looks;
  return card.steps.map((step, i) =>
    textItem(
      stepRuns(step, looks),
      {
        width,
        leading: 23 * u,
        gap: 7 * u,
        role: 'LI',
        list: 'method',
        inset: 30 * u,
        mayPart: true,
        hangs: (x, baseline) =>
          brokenText([run(String(i + 1), 'serifBold', 24, 'damson')], width, setting.set).lines.flatMap((one) =>
            marksOfLine(one, x, baseline + 1.5 * u),
          ),
      },
      setting,
    ),
  );
}

function stepRuns({ part, runs, or = [] }: CardStep, { run }: Looks): Run[] {
  const said = (of: CardStep['runs']) => of.map(({ text, strong }) => run(numbersKept(text), strong ? 'serifBold' : 'serif', 16.5));
  return [
    ...(part === '' ? [] : [run(`${part}. `, 'serif', 16.5, 'damson')]),
    ...said(runs),
    ...or.flatMap((way) => [run(` ${wayLead(way.name)} `, 'serif', 16.5, 'damson'), ...said(way.runs)]),
  ];
}

/** How boxes are kept, frozen and heated again. */
export function keepingEntries({ cautions }: CardContent, looks: Looks, setting: Setting): readonly AtWidth[] {
  const { run, u } = looks;
  const rows = [
    ['Fridge', cautions.fridge],
    ['Freezer', cautions.freezer],
    ['Reheat', cautions.reheat],
  ] as const;
  return [
    remembered((width) => headingItem('Keeping', width, looks, setting)),
    ...rows.map(([name, words], i) =>
      remembered((width) =>
        textItem(
          [run(`${name}: `, 'sansBold', 14, 'text'), run(numbersKept(words), 'sans', 14, 'text')],
          { width, leading: 19 * u, gap: (i === 0 ? 0 : 3) * u },
          setting,
        ),
      ),
    ),
  ];
}

/** What a card puts right of the issue before it; none where it puts nothing right. */
export function correctionItems({ correction }: CardContent, width: number, { run, u }: Looks, setting: Setting): readonly Item[] {
  if (!correction) return [];
  const said = textItem(
    [run(numbersKept(correctionText(correction)), 'sansBold', 13.5, 'damson')],
    { width: width - 10 * u, leading: 18 * u },
    setting,
  );
  return [
    {
      height: said.height,
      gap: 10 * u,
      draw: (x, y) => [{ role: 'Ornament', marks: [filled(x, y, 2.5 * u, said.height, 'damson')] }, ...said.draw(x + 10 * u, y)],
    },
  ];
}

/** What must stand on every card, small: what it contains first, the allergens themselves bold. */
export function smallPrintItem(card: CardContent, words: string, width: number, { run, u }: Looks, setting: Setting): Item {
  const named = new Set([...card.allergensInBox, ...card.allergensAtTable, ...(card.allergensMaybe ?? [])]);
  const about = allergenText(card);
  const pieces =
    named.size === 0
      ? [about]
      : about.split(
          new RegExp(
            `(${[...named]
              .sort((a, b) => b.length - a.length)
              .map(escaped)
              .join('|')})`,
          ),
        );
  return textItem(
    [
      ...pieces.map((piece) => run(piece, named.has(piece) ? 'sansBold' : 'sans', 13, named.has(piece) ? 'ink' : 'ink2')),
      run(numbersKept(words.startsWith(about) ? words.slice(about.length) : ` ${words}`), 'sans', 13, 'ink2'),
    ],
    { width, leading: 17 * u, gap: 10 * u },
    setting,
  );
}

function escaped(word: string): string {
  return word.replace(/[.*+?^${}()|[\]\\]/g, String.raw`\$&`);
}
