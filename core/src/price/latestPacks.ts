import type { Pack } from './pack.js';

/**
 * Packs without the prices that a later one has taken the place of: of the same food, shop, net, unit and currency only what was seen
 * last by the date, and what is to be seen after it; offers with an end beside the others, which count again after it. They count as all of them would, on that date and every later one
 * (`candidatePacks`).
 *
 * @param date "today", ISO date
 */
export function latestPacks(packs: readonly Pack[], date: string): Pack[] {
  const key = ({ food, shop, net, unit, currency, promotion = false, until }: Pack) =>
    JSON.stringify([food, shop, net, unit, currency, promotion && until !== undefined ? until : '']);
  const latest = new Map<string, string>();
  for (const pack of packs) if (pack.seen <= date && pack.seen > (latest.get(key(pack)) ?? '')) latest.set(key(pack), pack.seen);
  return packs.filter((pack) => pack.seen > date || pack.seen === latest.get(key(pack)));
}
