import type { KeptTickDto, ShoppingDto } from '../../api/api.gen';
import { keptName } from '../../api/kitchenAtHand';

/** A pack put into the basket, or not found there, as it is kept here until the server has it. */
export type Tick = Omit<KeptTickDto, 'putAway'>;

/** What a shopping list needs where there is no connection: what it is worked out from, and ticks that the server has not taken yet. */
export interface KeptShopping {
  readonly list: ShoppingDto | undefined;
  readonly unsent: readonly Tick[];
}

const PREFIX = `${keptName('shopping')}:`;
const NOTHING: KeptShopping = { list: undefined, unsent: [] };

/** Sessions that are shopped for together, in whatever order they are named. */
export function shoppingKey(sessions: readonly string[]): string {
  return [...new Set(sessions)].sort().join(',');
}

/** What is kept here of a list; nothing where nothing can be read. */
export function keptShopping(key: string): KeptShopping {
  try {
    const text = localStorage.getItem(PREFIX + key);
    if (text === null) return NOTHING;
    const { list, unsent } = JSON.parse(text) as KeptShopping;
    // Kept by a page before this one, it may say nothing of what stands in.
    return { list: list && { ...list, standIns: list.standIns ?? [] }, unsent };
  } catch {
    return NOTHING;
  }
}

/** @returns whether it is kept: a full or closed store keeps nothing */
export function keepShopping(key: string, kept: KeptShopping): boolean {
  try {
    localStorage.setItem(PREFIX + key, JSON.stringify(kept));
    return true;
  } catch {
    return false;
  }
}

/** Ticks as they stand: of each pack what was done last, here or by another; what was put into stock stays so. */
export function ticksNow(kept: readonly KeptTickDto[], unsent: readonly Tick[]): ReadonlyMap<string, KeptTickDto> {
  const ticks = new Map(kept.map((tick) => [tick.pack, tick]));
  for (const tick of unsent) {
    const before = ticks.get(tick.pack);
    if (!before || (!before.putAway && before.at <= tick.at)) ticks.set(tick.pack, { ...tick, putAway: false });
  }
  return ticks;
}

/** Ticks that are still to be sent, with one more: of a pack only the last says anything. */
export function withTick(unsent: readonly Tick[], tick: Tick): Tick[] {
  return [...unsent.filter(({ pack }) => pack !== tick.pack), tick];
}
