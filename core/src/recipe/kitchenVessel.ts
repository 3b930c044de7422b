/** What the kitchen's own vessels are: what is cooked in, and what is eaten from. */
export const VESSEL_KINDS = ['pot', 'box'] as const;

/** A pot, tray or box of the kitchen's own. */
export interface KitchenVessel {
  readonly name: string;
  readonly kind: (typeof VESSEL_KINDS)[number];
  /** Grams it weighs empty: its tare. */
  readonly weight?: number;
  /** Millilitres to the brim. */
  readonly capacity?: number;
}
