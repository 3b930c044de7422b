import type { Food, PrintedBasis } from '../food/index.js';
import type { Printed } from './labelColumn.js';
import type { ReadLabel } from './readLabelText.js';

/** What a person agreed to, of a label that was read. */
export interface AgreedLabel {
  readonly per: PrintedBasis;
  /** Figures that were doubted and are left out. */
  readonly without: ReadonlySet<Printed>;
}

/** Every field that a label's reading is in doubt of. */
export function doubtedOf({ doubts }: Pick<ReadLabel, 'doubts'>): ReadonlySet<Printed | 'per'> {
  return new Set(doubts.flatMap(({ of }) => of));
}

/**
 * What a label changes of a food: its figures whole, so that nothing of an older label stays among them; allergens, the drained share
 * and the weight of a serving where it says them.
 */
export function foodOfLabel(food: Pick<Food, 'measures'>, read: ReadLabel, { per, without }: AgreedLabel): Partial<Food> {
  const { contains, mayContain } = read.allergens;
  const share = drainedShare(read);
  const serving = read.serving?.unit === 'g' ? read.serving.amount : undefined;
  const kept = Object.entries(read.nutrients).filter(([printed]) => !without.has(printed as Printed));
  return {
    nutrients: Object.fromEntries(kept),
    source: 'label',
    energyIs: undefined,
    carbohydrateIs: read.carbohydrateIs === 'total' ? 'total' : undefined,
    per: per.amount === 100 && per.unit === 'g' ? undefined : per,
    ...(contains.length > 0 ? { allergens: contains } : {}),
    ...(mayContain.length > 0 ? { mayContain } : {}),
    ...(share === undefined ? {} : { drained: share }),
    ...(serving === undefined ? {} : { measures: { ...food.measures, serving } }),
  };
}

/** Drained over net weight; undefined where the label does not say both, or not in one unit. */
export function drainedShare({ net, drained }: Pick<ReadLabel, 'net' | 'drained'>): number | undefined {
  if (!net || !drained || net.unit !== drained.unit || drained.amount <= 0 || drained.amount >= net.amount) return undefined;
  return Number((drained.amount / net.amount).toPrecision(6));
}
