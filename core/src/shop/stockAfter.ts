import type { Kitchen } from '../recipe/index.js';
import { gramsHeld } from './shoppingNeeds.js';
import type { StockItem } from './stockItem.js';

/** A thing in stock after something was taken of it. */
export interface StockChange {
  /** Its place in the list given. */
  readonly index: number;
  /** What there is of it then, in its own unit; 0: nothing. */
  readonly amount: number;
}

/** What becomes of stock when a dish is cooked from it. */
export interface StockTaken {
  readonly changes: readonly StockChange[];
  /** Foods of which there was not enough, or nothing, with the grams that lacked. */
  readonly lacking: ReadonlyMap<string, number>;
}

/**
 * Stock after foods were taken of it: of each what is to be used first before what keeps; what is past its day too, since who cooks has
 * looked at it. What has no weight is left as it is.
 *
 * @param needs grams as purchased, by food
 */
export function stockAfter(stock: readonly StockItem[], needs: ReadonlyMap<string, number>, kitchen: Kitchen): StockTaken {
  const changes: StockChange[] = [];
  const lacking = new Map<string, number>();
  for (const [food, need] of needs) {
    let missing = need;
    const held = stock
      .flatMap((item, index) => (item.food === food ? [{ item, index, grams: gramsHeld(item, kitchen) }] : []))
      .sort((a, b) =>
        (a.item.bestBefore ?? '~') < (b.item.bestBefore ?? '~')
          ? -1
          : (a.item.bestBefore ?? '~') > (b.item.bestBefore ?? '~')
            ? 1
            : a.index - b.index,
      );
    for (const { item, index, grams } of held) {
      if (missing <= 0 || grams <= 0) continue;
      const taken = Math.min(missing, grams);
      missing -= taken;
      const left = item.amount * (1 - taken / grams);
      // What is left but for binary noise is gone; of the rest nobody measures more than six digits.
      changes.push({ index, amount: left <= item.amount * 1e-9 ? 0 : Number(left.toPrecision(6)) });
    }
    if (missing > need * 1e-9) lacking.set(food, missing);
  }
  return { changes, lacking };
}
