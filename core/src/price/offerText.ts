import type { Pack } from './pack.js';

/**
 * What is said of a price that is an offer; nothing of one that is none.
 *
 * @param dayText an ISO date as people write it
 * @example offerText({ promotion: true, until: '2026-11-30' }, dayText) // 'an offer until 30 Nov'
 */
export function offerText({ promotion, until }: Pick<Pack, 'promotion' | 'until'>, dayText: (day: string) => string): string {
  if (!promotion) return '';
  return until === undefined ? 'an offer, nobody knows until when' : `an offer until ${dayText(until)}`;
}
