import { drawnDown, heightOf, type Item } from './stack.js';

/** Where two columns stand beside each other. */
export interface TwoColumns {
  readonly width: number;
  /** Between them. */
  readonly between: number;
  /** Shares of the width, the gutter aside, that the left one may have; the one that makes them lowest is taken. */
  readonly shares: readonly number[];
  readonly gap?: number;
}

/** An item as it would be at a width. */
export type AtWidth = (width: number) => Item;

/** An item that is made once for each width it is asked at. */
export function remembered(make: AtWidth): AtWidth {
  const made = new Map<number, Item>();
  return (width) => {
    const item = made.get(width) ?? make(width);
    made.set(width, item);
    return item;
  };
}

/** Where items are parted: how many stand in the left column, how wide that is, and what comes of it. */
interface Parted {
  readonly left: readonly Item[];
  readonly right: readonly Item[];
  readonly leftWidth: number;
  readonly height: number;
}

/**
 * Items in two columns of about the same height, in their order, a heading never left behind. As one item; where it is higher than
 * there is room for, as many of them as fit go first.
 *
 * @param entries each as it would be at a width
 */
export function columnsItem(entries: readonly AtWidth[], place: TwoColumns): Item {
  const parted = partedWell(entries, place);
  return {
    height: parted.height,
    gap: place.gap ?? 0,
    draw: (x, y) => [...drawnDown(parted.left, x, y), ...drawnDown(parted.right, x + parted.leftWidth + place.between, y)],
    split: (most) => {
      for (let count = entries.length - 1; count > 0; count--) {
        if (headsNext(entries[count - 1], place.width / 2)) continue;
        const first = columnsItem(entries.slice(0, count), place);
        if (first.height <= most + 1e-9) return [first, columnsItem(entries.slice(count), place)];
      }
      return undefined;
    },
  };
}

function partedWell(entries: readonly AtWidth[], place: TwoColumns): Parted {
  const room = place.width - place.between;
  let best: Parted | undefined;
  let bestCost = Infinity;
  for (const share of place.shares) {
    const leftWidth = room * share;
    const left = entries.map((entry) => entry(leftWidth));
    const right = entries.map((entry) => entry(room - leftWidth));
    const whole = heightOf(left);
    for (let count = 0; count <= entries.length; count++) {
      if (count > 0 && left[count - 1]?.keepsNext && count < entries.length) continue;
      const parted = { left: left.slice(0, count), right: right.slice(count), leftWidth };
      const height = Math.max(heightOf(parted.left), heightOf(parted.right));
      // A part that is not torn is worth a line, and no more than an eighth of it all.
      const torn = count > 0 && count < entries.length && !right[count]?.keepsNext;
      const cost = height + (torn ? Math.min((right[count]?.height ?? 0) * 1.5, whole / 8) : 0);
      if (cost < bestCost - 1e-9) {
        best = { ...parted, height };
        bestCost = cost;
      }
    }
  }
  return best ?? { left: [], right: [], leftWidth: room / 2, height: 0 };
}

function headsNext(entry: AtWidth | undefined, width: number): boolean {
  return entry?.(width).keepsNext === true;
}
