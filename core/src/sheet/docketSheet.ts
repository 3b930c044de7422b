import { cardSmallPrint } from '../card/index.js';
import { band } from './band.js';
import { correctionItems, headingItem, ingredientEntries, keepingEntries, smallPrintItem, stepItems } from './cardBlocks.js';
import { columnsItem } from './columns.js';
import { FORMAT_TABLE, type ToLay } from './design.js';
import { poured, type FilledColumn } from './flow.js';
import { headItems, runningHead } from './head.js';
import { looksAt } from './looks.js';
import type { Block, SheetPage } from './mark.js';
import { bestScale, type Tried } from './scales.js';
import { signatureItem } from './signature.js';
import { drawnDown, type Item, type Setting } from './stack.js';
import { ticketGroups } from './ticket.js';
import { groupsThatFit, ticketBlocks, ticketHeight, TICKET_PAD } from './ticketPaper.js';
import { spreadOut } from './spreadOut.js';
import { tableItem } from './tableItem.js';

/** Points of a pixel of the design at its usual scale. */
const U = 0.48;
/** Where things stand, in pixels of the design. */
const STRIP = { x: 30, top: 32, width: 226, bottom: 30 };
const MAIN = { x: 284, right: 34, top: 34, bottom: 30 };
const BAND = { most: 274, least: 130 };
/** Scales of the strip: it is as large as the text where it fits. */
const STRIP_SCALES = [1.08, 1.04, 1, 0.96, 0.92, 0.88, 0.84, 0.8];

interface Laid extends Tried {
  readonly columns: readonly FilledColumn[];
  readonly bandHeight: number;
}

/** The docket: A5, the ticket of figures beside the text, the dish above it where there is room. */
export function docketSheet(toLay: ToLay, setting: Setting): { readonly pages: readonly SheetPage[]; readonly scale: number } {
  const { card, photo, edition } = toLay;
  const { width, height } = FORMAT_TABLE.a5;
  const mainWidth = width - (MAIN.x + MAIN.right) * U;
  const roomOf = (page: number, bandHeight: number) =>
    height - (page === 0 ? (bandHeight === 0 ? MAIN.top : bandHeight + 19) : MAIN.top) * U - MAIN.bottom * U;
  const hasPhoto = card.photo !== undefined && photo !== undefined;
  const layAt = (scale: number): Laid => {
    const looks = looksAt(U * scale);
    const bandHeight = hasPhoto ? BAND.least : 0;
    const running = runningHead(card, 2, 2, mainWidth, looks, setting).height;
    const columns = poured(mainItems(scale), (page) => roomOf(page, bandHeight) - (page === 0 ? 0 : running));
    const last = columns.at(-1);
    return { scale, pages: columns.length, lastFilled: (last?.height ?? 0) / roomOf(columns.length - 1, bandHeight), columns, bandHeight };
  };
  const mainItems = (scale: number): readonly Item[] => {
    const looks = looksAt(U * scale);
    return [
      ...headItems(card, { width: mainWidth, title: 43, lead: 18.5 }, looks, setting),
      columnsItem([...ingredientEntries(card, looks, setting), ...keepingEntries(card, looks, setting)], {
        width: mainWidth,
        between: 26 * looks.u,
        shares: [0.5, 0.54, 0.58, 0.46],
        gap: 13 * looks.u,
      }),
      ...(card.steps.length > 0
        ? [headingItem('Method', mainWidth, looks, setting, 13), ...stepItems(card, mainWidth, looks, setting)]
        : []),
      ...(card.table ? [tableItem(card, mainWidth, looks, setting)] : []),
      ...correctionItems(card, mainWidth, looks, setting),
      smallPrintItem(card, cardSmallPrint(card), mainWidth, looks, setting),
    ];
  };
  const laid = bestScale(layAt);
  const looks = looksAt(U * laid.scale);
  const total = laid.columns.length;
  const stripRoom = height - (STRIP.top + STRIP.bottom) * U;
  const foot = signatureItem(card, edition, (STRIP.width - 2 * TICKET_PAD) * U, looksAt(U), setting);
  const footHeight = (foot?.height ?? 0) + 14 * U;
  const strip = stripFor(toLay, total, stripRoom - footHeight, setting);
  const pages = Math.max(total, strip.tickets.length);
  return {
    scale: laid.scale,
    pages: Array.from({ length: pages }, (_, page): SheetPage => {
      const column = laid.columns[page] ?? { items: [], height: 0 };
      const free = roomOf(page, laid.bandHeight) - column.height;
      const bandHeight = page > 0 ? 0 : bandFor(free, laid.bandHeight, pages === 1);
      const top = (page === 0 && bandHeight > 0 ? bandHeight + 19 : MAIN.top) * U;
      const blocks: Block[] = [];
      if (bandHeight > 0)
        blocks.push(
          ...band(
            card,
            {
              x: 0,
              y: 0,
              width,
              height: bandHeight * U,
              clear: { x: (STRIP.x + STRIP.width) * U, y: 0, width: width - (STRIP.x + STRIP.width) * U, height: bandHeight * U },
            },
            'band',
            photo,
            looks,
            setting,
          ),
        );
      const running = page === 0 ? undefined : runningHead(card, page + 1, pages, mainWidth, looks, setting);
      const x = MAIN.x * U;
      if (running) blocks.push(...running.draw(x, top));
      const room = height - top - MAIN.bottom * U - (running?.height ?? 0);
      // What is read first stands first: the head, then the ticket, then what it is made of.
      const main = drawnDown(spreadOut(column.items, room, 9 * looks.u), x, top + (running?.height ?? 0));
      const [ticketPart = []] = [strip.tickets[page]];
      const ticket = ticketBlocks(
        ticketPart,
        { x: STRIP.x * U, y: STRIP.top * U, width: STRIP.width * U, height: stripRoom },
        strip.looks,
        page === pages - 1 || page === 0 ? foot : undefined,
      );
      return { blocks: [...blocks, ...ticket, ...main], filled: column.height / room };
    }),
  };

  /** Height of the band: what a photo asks for at least, and more of what is left; a box is drawn where it would not be small. */
  function bandFor(free: number, least: number, only: boolean): number {
    const spare = free / U + least + (least === 0 ? MAIN.top - 19 : 0);
    if (!only) return least;
    if (least > 0) return Math.min(BAND.most, Math.max(least, spare));
    return spare >= BAND.least ? Math.min(BAND.most, spare) : 0;
  }
}

/** The strip's tickets, page by page, at the largest scale at which they fit on as many pages as the text takes. */
function stripFor({ card }: ToLay, pages: number, room: number, setting: Setting) {
  const width = (STRIP.width - 2 * TICKET_PAD) * U;
  const at = (scale: number) => {
    const looks = looksAt(U * scale);
    const groups = ticketGroups(card, { width }, looks, setting);
    const tickets: (typeof groups)[] = [];
    let left = groups;
    while (left.length > 0) {
      const [taken, rest] = groupsThatFit(left, room, looks);
      tickets.push(taken);
      left = rest;
    }
    return { looks, tickets, fits: tickets.length <= pages && tickets.every((ticket) => ticketHeight(ticket, looks) <= room + 1e-6) };
  };
  const tried = STRIP_SCALES.map(at);
  return tried.find(({ fits }) => fits) ?? at(STRIP_SCALES.at(-1) ?? 1);
}
