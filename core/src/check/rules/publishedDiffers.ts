import type { Finding } from '../finding.js';

/** What reads otherwise on a published card than it would be printed today. */
interface Differs {
  readonly name: string;
}

/** Names told in the finding; the card's own list has all. */
const MOST_TOLD = 3;

/**
 * A published card that is no longer what would be printed.
 *
 * @param drift everything on it that would read otherwise; empty where it holds or nothing is published
 */
export function publishedDiffers(drift: readonly Differs[]): Finding[] {
  if (drift.length === 0) return [];
  const names = [...new Set(drift.map(({ name }) => name.toLowerCase()))];
  const told = names.slice(0, MOST_TOLD).join(', ');
  const more = names.length - MOST_TOLD;
  return [
    {
      code: 'published-differs',
      at: 'serving',
      severity: 'look',
      message: `The published card is no longer what would be printed: ${told}${more > 0 ? ` and ${more} more` : ''}. Publish it again, or leave it where readers lose nothing by it.`,
    },
  ];
}
