import { cardSmallPrint } from '../card/index.js';
import { band } from './band.js';
import { correctionItems, headingItem, ingredientEntries, keepingEntries, smallPrintItem, stepItems } from './cardBlocks.js';
import { FORMAT_TABLE, type ToLay } from './design.js';
import { figuresAcross } from './figuresAcross.js';
import { poured, type FilledColumn } from './flow.js';
import { groupsAcross } from './groupsAcross.js';
import { factsItem, leadItem, runningHead, seriesItems, titleItem } from './head.js';
import { looksAt } from './looks.js';
import type { Block, SheetPage } from './mark.js';
import { bestScale, type Tried } from './scales.js';
import { signatureItem } from './signature.js';
import { spreadOut } from './spreadOut.js';
import { drawnDown, heightOf, type Item, type Setting } from './stack.js';
import { tableItem } from './tableItem.js';
import { ticketGroups } from './ticket.js';

/** Points of a pixel of the design at its usual scale. */
const U = 0.6;
const MARGIN = 48;
const TOP = 48;
const BOTTOM = 40;
/** Pixels between the two columns, and under a head. */
const BETWEEN = 40;
const UNDER_HEAD = 18;
const OVER_HEAD = 22;
/** Height of the place for the dish: at least, and at most. */
const BAND = { photo: 300, drawn: 230, most: 620 };
/** Shares of the width that the ingredients may have; the one that makes the columns alike is taken. */
const SHARES = [0.36, 0.4, 0.44, 0.33];
const SCALES = [1.16, 1.12, 1.08, 1.04, 1, 0.97, 0.94, 0.91, 0.88];

/** Both columns of every page, at a share of the width. */
interface Laid extends Tried {
  readonly left: readonly FilledColumn[];
  readonly right: readonly FilledColumn[];
  readonly leftWidth: number;
  readonly differ: number;
}

/** The page: A4 or Letter, the dish across its top, the figures in one strip, ingredients and method side by side, the rest of the docket at its foot. */
export function pageSheet(toLay: ToLay, setting: Setting): { readonly pages: readonly SheetPage[]; readonly scale: number } {
  const { card, photo, edition } = toLay;
  const { width, height } = FORMAT_TABLE[toLay.format];
  const inner = width - 2 * MARGIN * U;
  const leastBand = (card.photo && photo ? BAND.photo : BAND.drawn) * U;
  const laid = bestScale((scale) => SHARES.map((share) => laidAt(scale, share)).reduce(better), SCALES);
  const looks = looksAt(U * laid.scale);
  const head = headOf(laid.scale);
  const headHeight = heightOf(head) + (OVER_HEAD + UNDER_HEAD) * looks.u;
  const foot = footOf(laid.scale);
  return {
    scale: laid.scale,
    pages: Array.from({ length: laid.pages }, (_, page): SheetPage => {
      const [left, right] = [laid.left[page], laid.right[page]].map((column) => column ?? { items: [], height: 0 });
      const used = Math.max(left?.height ?? 0, right?.height ?? 0);
      const footHeight = page === laid.pages - 1 ? heightOf(foot) + UNDER_HEAD * looks.u : 0;
      const blocks: Block[] = [];
      let top = TOP * U;
      if (page === 0) {
        const free = height - BOTTOM * U - leastBand - headHeight - used - footHeight;
        const bandHeight = laid.pages === 1 ? Math.min(BAND.most * U, leastBand + Math.max(0, free)) : leastBand;
        const field = { x: 0, y: 0, width, height: bandHeight };
        blocks.push(...band(card, { ...field, clear: field }, 'band', photo, looks, setting));
        blocks.push(...drawnDown(head, MARGIN * U, bandHeight + OVER_HEAD * looks.u));
        top = bandHeight + headHeight;
      } else {
        const running = runningHead(card, page + 1, laid.pages, inner, looks, setting);
        blocks.push(...running.draw(MARGIN * U, top));
        top += running.height;
      }
      const room = height - BOTTOM * U - top - footHeight;
      const x = MARGIN * U;
      blocks.push(...drawnDown(spreadOut(left?.items ?? [], room, 8 * looks.u, false), x, top));
      blocks.push(...drawnDown(spreadOut(right?.items ?? [], room, 10 * looks.u, false), x + laid.leftWidth + BETWEEN * U, top));
      if (footHeight > 0) blocks.push(...drawnDown(foot, x, height - BOTTOM * U - heightOf(foot)));
      return { blocks, filled: (used + footHeight) / (room + footHeight) };
    }),
  };

  function laidAt(scale: number, share: number): Laid {
    const at = looksAt(U * scale);
    const footHeight = heightOf(footOf(scale)) + UNDER_HEAD * at.u;
    const first = height - BOTTOM * U - leastBand - heightOf(headOf(scale)) - (OVER_HEAD + UNDER_HEAD) * at.u;
    const later = height - (TOP + BOTTOM) * U - runningHead(card, 2, 2, inner, at, setting).height;
    const leftWidth = (inner - BETWEEN * U) * share;
    const [leftItems, rightItems] = [ingredientItems(leftWidth, scale), methodItems(inner - BETWEEN * U - leftWidth, scale)];
    // The foot takes its room on the last page, whichever that is: no fewer than there are without it.
    const bare = (page: number) => (page === 0 ? first : later);
    for (let pages = Math.max(1, poured(leftItems, bare).length, poured(rightItems, bare).length); ; pages++) {
      const roomOf = (page: number) => bare(page) - (page === pages - 1 ? footHeight : 0);
      const [left, right] = [poured(leftItems, roomOf), poured(rightItems, roomOf)];
      if (Math.max(left.length, right.length) > pages) continue;
      const heightAt = (columns: readonly FilledColumn[]) => columns[pages - 1]?.height ?? 0;
      const [leftLast, rightLast] = [heightAt(left), heightAt(right)];
      const lastFilled = (Math.max(leftLast, rightLast) + footHeight) / (pages === 1 ? first : later);
      return { scale, pages, lastFilled, left, right, leftWidth, differ: Math.abs(leftLast - rightLast) };
    }
  }

  function headOf(scale: number): readonly Item[] {
    const at = looksAt(U * scale);
    return [
      ...seriesItems(card, inner, at, setting),
      titleItem(card.title, inner, 50, at, setting),
      ...(card.lead === '' ? [] : [leadItem(card.lead, inner, 20, at, setting)]),
      figuresAcross(card, inner, at, setting),
      factsItem(card, inner, at, setting),
    ];
  }

  /** More of them than stand beside each other, or more than half a page of them, go on under the method. */
  function isLongDocket(scale: number): boolean {
    const at = looksAt(U * scale);
    const groups = ticketGroups(card, { width: inner / 4 - 36 * at.u }, at, setting).slice(1);
    return groups.length > 4 || groups.some(({ height: high }) => high > height * 0.3);
  }

  function ingredientItems(columnWidth: number, scale: number): readonly Item[] {
    return ingredientEntries(card, looksAt(U * scale), setting).map((entry) => entry(columnWidth));
  }

  function methodItems(columnWidth: number, scale: number): readonly Item[] {
    const at = looksAt(U * scale);
    return [
      ...(card.steps.length > 0 ? [headingItem('Method', columnWidth, at, setting, 0), ...stepItems(card, columnWidth, at, setting)] : []),
      ...keepingEntries(card, at, setting).map((entry) => entry(columnWidth)),
      ...(card.table ? [tableItem(card, columnWidth, at, setting)] : []),
      ...correctionItems(card, columnWidth, at, setting),
      ...(isLongDocket(scale) ? groupsUnder(columnWidth, scale) : []),
    ];
  }

  function groupsUnder(columnWidth: number, scale: number): readonly Item[] {
    const at = looksAt(U * scale);
    const width = columnWidth - 36 * at.u;
    return ticketGroups(card, { width }, at, setting)
      .slice(1)
      .map((group) => groupsAcross([group], columnWidth, width, at));
  }

  /** What is left of the docket, across; then what must stand on every card, and what it is signed with. */
  function footOf(scale: number): readonly Item[] {
    const at = looksAt(U * scale);
    const count = ticketGroups(card, { width: inner }, at, setting).length - 1;
    const columnWidth = inner / Math.max(1, count) - 36 * at.u;
    const groups = ticketGroups(card, { width: columnWidth }, at, setting).slice(1);
    const signatureWidth = 190 * at.u;
    const signature = signatureItem(card, edition, signatureWidth, at, setting);
    const small = smallPrintItem(card, cardSmallPrint(card), inner - signatureWidth - 26 * at.u, at, setting);
    const signed: Item = {
      height: Math.max(small.height, signature?.height ?? 0),
      gap: 12 * at.u,
      draw: (x, y) => [...small.draw(x, y), ...(signature?.draw(x + inner - signatureWidth, y) ?? [])],
    };
    return [...(groups.length > 0 && !isLongDocket(scale) ? [groupsAcross(groups, inner, columnWidth, at)] : []), signed];
  }
}

/** Fewer pages, then columns that end at about the same height. */
function better(one: Laid, other: Laid): Laid {
  return other.pages < one.pages || (other.pages === one.pages && other.differ < one.differ - 1e-9) ? other : one;
}
