import { drawnDown, type Item } from './stack.js';

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
      let count = mostThatFit(entries, place, most);
      // A heading goes along with what it heads.
      while (count > 0 && entries[count - 1]?.(place.width / 2).keepsNext) count--;
      if (count === 0 || count === entries.length) return undefined;
      return [columnsItem(entries.slice(0, count), place), columnsItem(entries.slice(count), place)];
    },
  };
}

/** How many of the entries, from the first, two columns of a height hold: more of them are never lower, so it is found by halving. */
function mostThatFit(entries: readonly AtWidth[], place: TwoColumns, most: number): number {
  let [fit, tooMany] = [0, entries.length + 1];
  while (tooMany - fit > 1) {
    const middle = Math.floor((fit + tooMany) / 2);
    if (partedWell(entries.slice(0, middle), place).height <= most + 1e-9) fit = middle;
    else tooMany = middle;
  }
  return fit;
}

function partedWell(entries: readonly AtWidth[], place: TwoColumns): Parted {
  const room = place.width - place.between;
  let best: Parted | undefined;
  let bestCost = Infinity;
  for (const share of place.shares) {
    const leftWidth = room * share;
    const left = entries.map((entry) => entry(leftWidth));
    const right = entries.map((entry) => entry(room - leftWidth));
    const above = heightsUpTo(left);
    const below = heightsFrom(right);
    const whole = above[entries.length] ?? 0;
    let cut = -1;
    for (let count = 0; count <= entries.length; count++) {
      if (count > 0 && left[count - 1]?.keepsNext && count < entries.length) continue;
      const height = Math.max(above[count] ?? 0, below[count] ?? 0);
      // A part that is not torn is worth a line, and no more than an eighth of it all.
      const torn = count > 0 && count < entries.length && !right[count]?.keepsNext;
      const cost = height + (torn ? Math.min((right[count]?.height ?? 0) * 1.5, whole / 8) : 0);
      if (cost >= bestCost - 1e-9) continue;
      bestCost = cost;
      cut = count;
    }
    if (cut >= 0)
      best = { left: left.slice(0, cut), right: right.slice(cut), leftWidth, height: Math.max(above[cut] ?? 0, below[cut] ?? 0) };
  }
  return best ?? { left: [], right: [], leftWidth: room / 2, height: 0 };
}

/** Height of the first n items one below the other, for every n. */
function heightsUpTo(items: readonly Item[]): readonly number[] {
  const heights = [0];
  for (const [i, { height, gap }] of items.entries()) heights.push((heights[i] ?? 0) + height + (i === 0 ? 0 : gap));
  return heights;
}

/** Height of the items from the nth on, for every n; the first of them has nothing above it. */
function heightsFrom(items: readonly Item[]): readonly number[] {
  const heights = Array.from({ length: items.length + 1 }, () => 0);
  for (let i = items.length - 1; i >= 0; i--) {
    const next = items[i + 1];
    heights[i] = (items[i]?.height ?? 0) + (next ? next.gap + (heights[i + 1] ?? 0) : 0);
  }
  return heights;
}
