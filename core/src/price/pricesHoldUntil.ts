import { daysBetween, type PriceSettings } from './candidatePacks.js';
import type { Pack } from './pack.js';

const DAY = 86_400_000;

/**
 * The first day after today on which other packs count than count today: one that is seen later begins, or one becomes older than
 * prices may be, or an offer has ended (kitchen file, Settings). Undefined where no day changes anything.
 */
export function pricesHoldUntil(
  packs: readonly Pick<Pack, 'seen' | 'promotion' | 'until'>[],
  { date, maxPriceAge }: PriceSettings,
): string | undefined {
  const days = packs.flatMap(({ seen, promotion, until }) => [
    seen,
    ...(maxPriceAge === undefined ? [] : [dayAfter(seen, Math.floor(maxPriceAge) + 1)]),
    ...(promotion && until !== undefined ? [dayAfter(until, 1)] : []),
  ]);
  return days.filter((day) => daysBetween(date, day) > 0).sort()[0];
}

function dayAfter(day: string, days: number): string {
  return new Date(Date.parse(`${day}T00:00:00Z`) + days * DAY).toISOString().slice(0, 10);
}
