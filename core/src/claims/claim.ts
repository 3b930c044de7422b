/** What a dish may be said to be. */
export const CLAIM_NAMES = [
  'low energy',
  'low fat',
  'low saturates',
  'low sugars',
  'low salt',
  'source of fibre',
  'high fibre',
  'source of protein',
  'high protein',
  'low calorie',
  'low sodium',
  'no gluten-containing ingredient listed',
] as const;
export type ClaimName = (typeof CLAIM_NAMES)[number];

/** Whether a claim holds, with the figures that decide. "unknown" means that what is lacking could decide otherwise. */
export interface Claim {
  readonly name: ClaimName;
  readonly rules: 'us' | 'eu' | 'any';
  readonly holds: 'yes' | 'no' | 'unknown';
  /** One sentence for each condition, with the figure it was held against. */
  readonly because: readonly string[];
}
