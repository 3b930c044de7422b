import type { Looks } from './looks.js';
import type { Block, Mark } from './mark.js';
import { filled, ruled, ticketPath } from './shapes.js';
import { drawnDown, type Item } from './stack.js';
import type { TicketGroup } from './ticket.js';

/** Pixels within a ticket's edges, and about a tear. */
export const TICKET_PAD = 18;
const TOP = 24;
const TEAR_ABOVE = 10;
const TEAR_BELOW = 12;

/** Height of a ticket that holds these groups. */
export function ticketHeight(groups: readonly TicketGroup[], { u }: Looks): number {
  const tears = Math.max(0, groups.length - 1) * (TEAR_ABOVE + TEAR_BELOW + 2) * u;
  return groups.reduce((sum, { height }) => sum + height, 0) + tears + (TOP + TICKET_PAD) * u;
}

/** A ticket: its paper with the shadow it throws, the groups with a tear between each two, and what stands at its foot. */
export function ticketBlocks(
  groups: readonly TicketGroup[],
  place: { readonly x: number; readonly y: number; readonly width: number; readonly height: number },
  looks: Looks,
  foot?: Item,
): readonly Block[] {
  const { x, y, width, height } = place;
  const { u } = looks;
  const left = x + TICKET_PAD * u;
  let top = y + TOP * u;
  const drawn = groups.flatMap(({ items, height: high }, i) => {
    const tear: Block[] = [];
    if (i > 0) {
      tear.push({ role: 'Ornament', marks: [ruled(x, top + TEAR_ABOVE * u, width, 'tear', 1.6 * u, [6 * u, 4 * u])] });
      top += (TEAR_ABOVE + TEAR_BELOW + 2) * u;
    }
    const blocks = drawnDown(items, left, top);
    top += high;
    return [...tear, ...blocks];
  });
  const footBlocks = foot ? foot.draw(left, y + height - TICKET_PAD * u - foot.height) : [];
  return [{ role: 'Ornament', marks: paper(x, y, width, height, u) }, ...drawn, ...footBlocks];
}

/** Paper that lies a little above the page. */
function paper(x: number, y: number, width: number, height: number, u: number): Mark[] {
  const shadows = [5, 3, 1.5].map((by): Mark =>
    filled(x - by * u * 0.6, y + 12 * u, width + by * u * 1.2, height - 12 * u + by * u, 'ink', 0.035),
  );
  return [
    ...shadows,
    // With an edge, so that it is seen on white too.
    { kind: 'shape', path: ticketPath(x, y, width, height, 5.5 * u), fill: 'ticket', stroke: 'tear', strokeWidth: 0.8 * u },
  ];
}

/** Groups that a ticket of a height holds, and those it does not. */
export function groupsThatFit(
  groups: readonly TicketGroup[],
  height: number,
  looks: Looks,
): readonly [readonly TicketGroup[], readonly TicketGroup[]] {
  let count = groups.length;
  while (count > 1 && ticketHeight(groups.slice(0, count), looks) > height + 1e-6) count--;
  return [groups.slice(0, count), groups.slice(count)];
}
