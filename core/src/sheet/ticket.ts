import { cardPriceText, spokenFigure, type CardContent, type CardFigure } from '../card/index.js';
import type { EnergyShare } from '../recipe/index.js';
import type { Looks } from './looks.js';
import type { Mark } from './mark.js';
import { nutrientField } from './nutrientPattern.js';
import { brokenText, marksOfLine, widthOfRuns } from './paragraph.js';
import { ruled } from './shapes.js';
import { drawnItem, stackItem, textItem, type Item, type Setting } from './stack.js';

/** What stands on a ticket, a tear between two of them. */
export interface TicketGroup {
  readonly items: readonly Item[];
  readonly height: number;
}

/** How large a ticket's rows are against the docket's own. */
export interface TicketLook {
  readonly width: number;
  /** Rows of what is within another figure, "of which sugars". */
  readonly within?: boolean;
}

const PATTERN_OF: { readonly [figure: string]: EnergyShare['of'] | undefined } = {
  protein: 'protein',
  carbohydrate: 'carbohydrate',
  fat: 'fat',
  fibre: 'fibre',
};
const WITHIN: { readonly [figure: string]: string | undefined } = { sugars: 'of which sugars', saturates: 'of which saturates' };

/** Every group of a card's docket, in its order. */
export function ticketGroups(card: CardContent, look: TicketLook, looks: Looks, setting: Setting): readonly TicketGroup[] {
  return [
    energyGroup(card, look, looks, setting),
    ...boxGroups(card, look, looks, setting),
    toppingGroup(card, look, looks, setting),
    costGroup(card, look, looks, setting),
    keepsGroup(card, look, looks, setting),
  ].flatMap((items) => (items.length === 0 ? [] : [groupOf(items)]));
}

/** A group of items. */
export function groupOf(items: readonly Item[]): TicketGroup {
  return { items, height: stackItem(items).height };
}

/** Energy in large, where it comes from, and the other figures, each in a row with its own name. */
export function energyGroup(card: CardContent, look: TicketLook, looks: Looks, setting: Setting): readonly Item[] {
  const { width } = look;
  const { run, u } = looks;
  const { energy, energyKj, energyShares, macros, index, claims = [] } = card;
  const spokenWeight = spokenFigure(card.weight);
  const box = `a ${card.servingName}, ${[spokenWeight.qualifier, spokenWeight.number].filter(Boolean).join(' ')}\u00a0g`;
  const head = nameAndFigure(
    [run('Energy', 'sansBold', 14.5, 'ink2')],
    [run(box, 'sansBold', 14.5, 'ink2')],
    width,
    20 * u,
    0,
    setting,
    'weight',
  );
  const shares = energyShares.filter(({ share }) => share > 0);
  return [
    head,
    ...(energy
      ? [largeFigure(energy, width, looks, setting)]
      : [textItem([run('Energy is not known', 'sans', 14, 'ink2')], { width, leading: 20 * u }, setting)]),
    ...(shares.length > 0
      ? [
          textItem(
            [run(energyKj ? `${spokenNumber(energyKj)} kJ, coming from` : 'coming from', 'sans', 14, 'ink2')],
            { width, leading: 19 * u, ...(energyKj ? { figure: 'energyKj' } : {}) },
            setting,
          ),
          splitItem(card, width, 13 * u, 5 * u, looks),
        ]
      : []),
    ...macros.map((figure, i) => figureRow(figure, look, looks, setting, i === 0)),
    ...(index ? [figureRow(index, look, looks, setting, macros.length === 0)] : []),
    ...(claims.length > 0
      ? [textItem([run(sentence(claims), 'sansBold', 13.5, 'damson')], { width, leading: 18 * u, gap: 6 * u }, setting)]
      : []),
  ];
}

/** Parts of a group at most: with more of them it goes on in another, so that a ticket can be parted. */
const MOST_PARTS = 10;

function boxGroups(card: CardContent, look: TicketLook, looks: Looks, setting: Setting): readonly (readonly Item[])[] {
  const { intoEachBox: parts, servingName } = card;
  const count = Math.ceil(parts.length / MOST_PARTS);
  return Array.from({ length: count }, (_, i) => [
    ticketHeading(`Into each ${servingName}${i === 0 ? '' : ', on'}`, look.width, looks, setting),
    ...partRows(parts.slice(i * MOST_PARTS, (i + 1) * MOST_PARTS), look, looks, setting),
  ]);
}

function partRows(parts: CardContent['intoEachBox'], look: TicketLook, looks: Looks, setting: Setting): readonly Item[] {
  const { run, u } = looks;
  return parts.flatMap(({ grams, part, figures = [] }, i) => [
    row(part, { qualifier: '', number: grams, unit: 'g' }, look, looks, setting, i === 0),
    ...(figures.length === 0
      ? []
      : [
          textItem(
            [
              run(
                figures
                  .map((figure) => `${spokenNumber(figure)}\u00a0${figure.unit}${figure.figure === 'protein' ? ' protein' : ''}`)
                  .join(', '),
                'sans',
                13.5,
                'ink2',
              ),
            ],
            { width: look.width, leading: 18 * u, align: 'right' },
            setting,
          ),
        ]),
  ]);
}

function toppingGroup({ topping }: CardContent, look: TicketLook, looks: Looks, setting: Setting): readonly Item[] {
  if (!topping) return [];
  return [
    ticketHeading(`With ${topping.name.charAt(0).toLowerCase()}${topping.name.slice(1)}`, look.width, looks, setting),
    // What they are worked out from is not the box alone: they open no working.
    ...topping.figures.map((figure, i) => row(figure.name, spokenFigure(figure), look, looks, setting, i === 0)),
  ];
}

/** What it costs: of one serving, of all, and at the till. */
function costGroup(card: CardContent, look: TicketLook, looks: Looks, setting: Setting): readonly Item[] {
  const { used, usedForAll, till, servings, servingName, hasTopping: topping = card.topping !== undefined } = card;
  const { run, u } = looks;
  const rows = [
    ...(used ? [[`A ${servingName}, used`, used] as const] : []),
    // What comes at the table is paid for with the rest.
    ...(usedForAll && (servings !== 1 || topping)
      ? [[topping ? `All ${servings}, with topping` : `All ${servings}, used`, usedForAll] as const]
      : []),
    ...(till ? [['At the till', till] as const] : []),
  ];
  if (rows.length === 0) return [];
  const said = [till ? 'Whole packs, if you have none of it.' : '', capital(cardPriceText(card))].filter(Boolean).join(' ');
  return [
    ticketHeading('Cost', look.width, looks, setting),
    ...rows.map(([name, figure], i) => row(name, spokenFigure(figure), look, looks, setting, i === 0, figure.figure)),
    ...(said === ''
      ? []
      : [
          textItem(
            [run(said.endsWith('.') ? said : `${said}.`, 'sans', 13.5, 'ink2')],
            { width: look.width, leading: 18 * u, gap: 3 * u },
            setting,
          ),
        ]),
  ];
}

function keepsGroup({ keeps }: CardContent, look: TicketLook, looks: Looks, setting: Setting): readonly Item[] {
  if (!keeps) return [];
  return [
    ticketHeading('Keeps', look.width, looks, setting),
    row('Fridge', { qualifier: '', number: keeps.fridge, unit: '' }, look, looks, setting, true),
    row('Freezer', { qualifier: '', number: keeps.freezer, unit: '' }, look, looks, setting, false),
  ];
}

function ticketHeading(words: string, width: number, { run, u }: Looks, setting: Setting): Item {
  return textItem([run(words, 'sansBold', 14.5, 'damson')], { width, leading: 18 * u, role: 'H2', keepsNext: true }, setting);
}

/** A figure in large, its unit beside it. */
export function largeFigure(figure: CardFigure, width: number, looks: Looks, setting: Setting, size = 64): Item {
  const { run, u } = looks;
  const { qualifier, number, unit } = spokenFigure(figure);
  const runs = (at: number) => [run(number, 'serifBold', at), run(`\u00a0${unit}`, 'sans', Math.max(14, at * 0.3), 'ink2')];
  const said = qualifier === '' ? [] : [run(`${qualifier} `, 'sans', 14.5, 'ink2')];
  // A number of many digits is set smaller, and never in two lines.
  let at = size;
  while (at > 20 && widthOfRuns([...said, ...runs(at)], setting.set) > width) at -= 2;
  return textItem([...said, ...runs(at)], { width, leading: at * 1.06 * u, gap: 2 * u, figure: figure.figure }, setting);
}

/** The energy, cut by where it comes from. */
export function splitItem({ energyShares }: CardContent, width: number, height: number, below: number, { u }: Looks): Item {
  const shown = energyShares.filter(({ share }) => share > 0);
  return drawnItem(
    height + below,
    3 * u,
    'Figure',
    (x, y) => {
      let left = x;
      const free = width - (shown.length - 1) * 2 * u;
      return shown.flatMap(({ of, share }): readonly Mark[] => {
        const field = nutrientField(of, left, y, share * free, height, u);
        left += share * free + 2 * u;
        return field;
      });
    },
    `Of the energy ${shown.map(({ of, share }) => `${Math.round(share * 100)} % from ${of}`).join(', ')}`,
  );
}

/** A nutrient's row: its pattern, its name, its figure. */
export function figureRow(figure: CardFigure, look: TicketLook, looks: Looks, setting: Setting, first: boolean): Item {
  const within = look.within === false ? undefined : WITHIN[figure.figure];
  return row(
    within ?? figure.name,
    spokenFigure(figure),
    { ...look, within: within !== undefined },
    looks,
    setting,
    first || within !== undefined,
    figure.figure,
  );
}

function row(
  name: string,
  { qualifier, number, unit }: ReturnType<typeof spokenFigure>,
  { width, within = false }: TicketLook,
  looks: Looks,
  setting: Setting,
  first: boolean,
  figure?: string,
): Item {
  const { run, u } = looks;
  const pattern = figure === undefined || within ? undefined : PATTERN_OF[figure];
  const size = within ? 15.5 : 21;
  const said = [
    ...(qualifier === '' ? [] : [run(`${qualifier} `, 'sans', 14, 'ink2')]),
    run(number, within ? 'sans' : 'serifBold', size, within ? 'ink2' : 'ink'),
    ...(unit === '' ? [] : [run(`\u00a0${unit}`, 'sans', 14, 'ink2')]),
  ];
  const inset = pattern || within ? 20 * u : 0;
  const named = [run(name, 'sans', within ? 14 : 15.5, within ? 'ink2' : 'ink')];
  const line = nameAndFigure(named, said, width, (within ? 21 : 27) * u, (first ? (within ? 0 : 2) : 5) * u, setting, figure, inset);
  return {
    ...line,
    gap: within || first ? line.gap : 8 * u,
    draw: (x, y) => {
      const [block, ...more] = line.draw(x, y);
      if (!block) return [];
      const rule = first ? [] : [ruled(x, y - 4 * u, width, 'ticketRule', 1 * u)];
      const sign = pattern ? nutrientField(pattern, x, y + 7 * u, 13 * u, 13 * u, u) : [];
      return [{ ...block, marks: [...rule, ...sign, ...block.marks] }, ...more];
    },
  };
}

/** A name at the left and its figure at the right of one line; the figure below its name where both are too wide. */
function nameAndFigure(
  name: Parameters<typeof widthOfRuns>[0],
  said: Parameters<typeof widthOfRuns>[0],
  width: number,
  leading: number,
  gap: number,
  setting: Setting,
  figure?: string,
  inset = 0,
): Item {
  const wide = widthOfRuns(said, setting.set);
  const least = Math.min(...name.map(({ size }) => size)) * 0.4;
  const fits = inset + widthOfRuns(name, setting.set) + least + wide <= width;
  const named = textItem(name, { width: fits ? width - wide - least : width, leading, inset }, setting);
  return {
    height: fits ? leading : named.height + leading,
    gap,
    draw: (x, y) => {
      const [block] = named.draw(x, y);
      const [line] = brokenText(said, width * 4, setting.set).lines;
      const largest = Math.max(...name.map(({ size }) => size));
      const baseline = (fits ? y : y + named.height) + (leading - largest * 1.2) / 2 + largest * 0.94;
      return [
        {
          role: 'P',
          ...(figure === undefined ? {} : { figure }),
          marks: [...(block?.marks ?? []), ...(line ? marksOfLine(line, x + width - line.width, baseline) : [])],
        },
      ];
    },
  };
}

function spokenNumber(figure: CardFigure): string {
  const { qualifier, number } = spokenFigure(figure);
  return [qualifier, number].filter(Boolean).join(' ');
}

/** "High fibre, low salt". */
function sentence(claims: readonly string[]): string {
  return capital(claims.join(', '));
}

function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}
