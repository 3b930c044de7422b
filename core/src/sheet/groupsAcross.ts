import type { Looks } from './looks.js';
import type { Mark } from './mark.js';
import { at, ticketPath } from './shapes.js';
import { drawnDown, type Item } from './stack.js';
import type { TicketGroup } from './ticket.js';

/** Groups of a ticket beside each other, a tear between each two. */
export function groupsAcross(groups: readonly TicketGroup[], width: number, columnWidth: number, { u }: Looks): Item {
  const pad = 18 * u;
  const high = Math.max(0, ...groups.map(({ height }) => height));
  const height = high + 40 * u;
  const pitch = width / groups.length;
  return {
    height,
    gap: 16 * u,
    draw: (x, y) => {
      const tears = groups.slice(1).map((_, i): Mark => {
        const left = x + (i + 1) * pitch;
        return {
          kind: 'shape',
          path: `M${at(left)} ${at(y + 8 * u)}V${at(y + height)}`,
          stroke: 'tear',
          strokeWidth: 1.6 * u,
          dash: [6 * u, 4 * u],
        };
      });
      return [
        {
          role: 'Ornament',
          marks: [
            { kind: 'shape', path: ticketPath(x, y, width, height, 5.5 * u), fill: 'ticket', stroke: 'tear', strokeWidth: 0.8 * u },
            ...tears,
          ],
        },
        ...groups.flatMap(({ items }, i) => drawnDown(items, x + i * pitch + Math.max(pad, (pitch - columnWidth) / 2), y + 22 * u)),
      ];
    },
  };
}
