import { MOST_KITCHEN_FILE } from './mostBytes.js';

const KIB = 1024;
const MIB = KIB * KIB;
const SECOND = 1_000;

/** How often something may be asked: times a minute, by one who asks. */
export type Pace = 'usual' | 'drawn' | 'brought' | 'read';
export const PACES: Readonly<Record<Pace, number>> = {
  usual: 6_000,
  // Papers, pictures, exports and what computes a whole kitchen.
  drawn: 900,
  // Files.
  brought: 600,
  // Public pages, by address: whoever has many readers has something before the server that keeps pages.
  read: 3_000,
};

/** What one request may bring and take, by where it goes. */
export interface RouteLimits {
  /** Of a body. */
  readonly bytes: number;
  /** Milliseconds that a body may take to arrive. */
  readonly arrive: number;
  /** Milliseconds that an answer may take to begin, from the end of the body on. */
  readonly answer: number;
  readonly pace: Pace;
}

const USUAL: RouteLimits = { bytes: 128 * KIB, arrive: 30 * SECOND, answer: 100 * SECOND, pace: 'usual' };
const IN_KITCHEN = String.raw`^/api/kitchens/[^/]+/`;

/** Routes that may bring or take more than others, or be asked less often. */
const ROUTES: readonly (readonly [path: RegExp, limits: RouteLimits])[] = [
  [
    new RegExp(`${IN_KITCHEN}imports/kitchen-file$`),
    { bytes: MOST_KITCHEN_FILE, arrive: 300 * SECOND, answer: 150 * SECOND, pace: 'brought' },
  ],
  // Read as they come, and bounded there.
  [new RegExp(`${IN_KITCHEN}(?:food-tables|receipts/read)$`), { ...USUAL, arrive: 900 * SECOND, pace: 'brought' }],
  [new RegExp(`${IN_KITCHEN}photos$`), { ...USUAL, arrive: 120 * SECOND, pace: 'brought' }],
  [new RegExp(`${IN_KITCHEN}(?:recipes|foods|packs|receipts/prices)(?:/[^/]*)?$`), { ...USUAL, bytes: 2 * MIB }],
  [
    new RegExp(`${IN_KITCHEN}(?:exports/|bundles|merges|food-swaps|found-again|briefs/judged|copies$|.*\\.(?:pdf|png|svg|zip|csv|ics)$)`),
    { ...USUAL, pace: 'drawn' },
  ],
  [/^\/(?:read\/|robots\.txt)/, { ...USUAL, pace: 'read' }],
];

/** What a request to an address may bring and take. @param path without what stands behind the question mark */
export function limitsOf(path: string): RouteLimits {
  return ROUTES.find(([of]) => of.test(path))?.[1] ?? USUAL;
}
