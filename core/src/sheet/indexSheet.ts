import { cardSmallPrint } from '../card/index.js';
import { correctionItems, headingItem, ingredientEntries, keepingEntries, smallPrintItem, stepItems } from './cardBlocks.js';
import { columnsItem } from './columns.js';
import { FORMAT_TABLE, type ToLay } from './design.js';
import { poured, type FilledColumn } from './flow.js';
import { headItems, runningHead } from './head.js';
import { looksAt } from './looks.js';
import type { SheetPage } from './mark.js';
import { bestScale, type Tried } from './scales.js';
import { signatureItem } from './signature.js';
import { spreadOut } from './spreadOut.js';
import { drawnDown, type Item, type Setting } from './stack.js';
import { tableItem } from './tableItem.js';
import { ticketGroups, type TicketGroup } from './ticket.js';
import { groupsThatFit, ticketBlocks, ticketHeight, TICKET_PAD } from './ticketPaper.js';

const U = 0.46;
const STRIP = { x: 22, top: 26, width: 218, bottom: 22 };
const MAIN = { x: 264, right: 26, top: 26, bottom: 22 };
const SCALES = [1.16, 1.12, 1.08, 1.04, 1, 0.97, 0.94, 0.91, 0.88, 0.85];
const STRIP_SCALES = [1.12, 1.08, 1.04, 1, 0.96, 0.92, 0.88, 0.84, 0.8, 0.76];

interface Laid extends Tried {
  readonly columns: readonly FilledColumn[];
}

/** The index card: 6 x 4 in, in front what it is and what goes in, on the back how it is made and kept. A long one takes more sides. */
export function indexSheet(toLay: ToLay, setting: Setting): { readonly pages: readonly SheetPage[]; readonly scale: number } {
  const { card, edition } = toLay;
  const { width, height } = FORMAT_TABLE['6x4'];
  const mainWidth = width - (MAIN.x + MAIN.right) * U;
  const room = height - (MAIN.top + MAIN.bottom) * U;
  const front = side((scale) => frontItems(scale));
  const back = side((scale) => backItems(scale));
  const sides = [
    ...front.columns.map((column) => ({ column, scale: front.scale })),
    ...back.columns.map((column) => ({ column, scale: back.scale })),
  ];
  const stripRoom = height - (STRIP.top + STRIP.bottom) * U;
  const foot = signatureItem(card, edition, (STRIP.width - 2 * TICKET_PAD) * U, looksAt(U), setting);
  const tickets = stripsFor(stripRoom - (foot?.height ?? 0) - 10 * U, sides.length);
  return {
    scale: Math.min(front.scale, back.scale),
    pages: Array.from({ length: Math.max(sides.length, tickets.length) }, (_, page): SheetPage => {
      const { column, scale } = sides[page] ?? { column: { items: [], height: 0 }, scale: back.scale };
      const looks = looksAt(U * scale);
      const running =
        page === 0 ? undefined : runningHead(card, page + 1, Math.max(sides.length, tickets.length), mainWidth, looks, setting);
      const x = MAIN.x * U;
      const top = MAIN.top * U + (running?.height ?? 0);
      const free = room - (running?.height ?? 0);
      const strip = tickets[page];
      return {
        blocks: [
          ...(running ? running.draw(x, MAIN.top * U) : []),
          ...ticketBlocks(
            strip?.groups ?? [],
            { x: STRIP.x * U, y: STRIP.top * U, width: STRIP.width * U, height: stripRoom },
            strip?.looks ?? looks,
            page > 0 || sides.length === 1 ? foot : undefined,
          ),
          ...drawnDown(spreadOut(column.items, free, 9 * looks.u), x, top),
        ],
        filled: column.height / free,
      };
    }),
  };

  function side(items: (scale: number) => readonly Item[]): Laid {
    return bestScale((scale): Laid => {
      const running = runningHead(card, 2, 2, mainWidth, looksAt(U * scale), setting).height;
      const columns = poured(items(scale), () => room - running);
      return { scale, columns, pages: columns.length, lastFilled: (columns.at(-1)?.height ?? 0) / (room - running) };
    }, SCALES);
  }

  function frontItems(scale: number): readonly Item[] {
    const looks = looksAt(U * scale);
    return [
      ...headItems(card, { width: mainWidth, title: 36, lead: 17 }, looks, setting),
      columnsItem(ingredientEntries(card, looks, setting), {
        width: mainWidth,
        between: 24 * looks.u,
        shares: [0.5, 0.55, 0.45],
        gap: 11 * looks.u,
      }),
    ];
  }

  function backItems(scale: number): readonly Item[] {
    const looks = looksAt(U * scale);
    return [
      ...(card.steps.length > 0
        ? [headingItem('Method', mainWidth, looks, setting, 0), ...stepItems(card, mainWidth, looks, setting)]
        : []),
      ...keepingEntries(card, looks, setting).map((entry) => entry(mainWidth)),
      ...(card.table ? [tableItem(card, mainWidth, looks, setting)] : []),
      ...correctionItems(card, mainWidth, looks, setting),
      smallPrintItem(card, cardSmallPrint(card), mainWidth, looks, setting),
    ];
  }

  /** In front what a box delivers; behind it what costs and keeps: dealt so that both are about as high, as large as both fit. */
  function stripsFor(high: number, sidesThere: number) {
    const stripWidth = (STRIP.width - 2 * TICKET_PAD) * U;
    const tried = STRIP_SCALES.map((scale) => {
      const looks = looksAt(U * scale);
      const tickets = dealt(ticketGroups(card, { width: stripWidth }, looks, setting), Math.max(1, sidesThere), looks);
      return { looks, tickets, fits: tickets.every((groups) => ticketHeight(groups, looks) <= high + 1e-6) };
    });
    const taken = tried.find(({ fits }) => fits);
    if (taken) return taken.tickets.map((groups) => ({ groups, looks: taken.looks }));
    // Many parts: as many sides as they take.
    const looks = looksAt(U * (STRIP_SCALES.at(-1) ?? 1));
    const strips: { readonly groups: readonly TicketGroup[]; readonly looks: typeof looks }[] = [];
    let left = ticketGroups(card, { width: stripWidth }, looks, setting);
    while (left.length > 0) {
      const [groups, rest] = groupsThatFit(left, high, looks);
      strips.push({ groups, looks });
      left = rest;
    }
    return strips;
  }

  /** Groups in their order on so many tickets: the first two at most, their heights as alike as can be. */
  function dealt(groups: readonly TicketGroup[], tickets: number, looks: ReturnType<typeof looksAt>): readonly (readonly TicketGroup[])[] {
    if (tickets < 2) return [groups];
    const cuts = groups.map((_, i) => [groups.slice(0, i + 1), groups.slice(i + 1)] as const);
    const highest = ([front, back]: readonly [readonly TicketGroup[], readonly TicketGroup[]]) =>
      Math.max(ticketHeight(front, looks), ticketHeight(back, looks));
    return cuts.reduce((best, cut) => (highest(cut) < highest(best) - 1e-9 ? cut : best));
  }
}
