import { atwaterEnergy, foodDoubts, known, type Food } from '../food/index.js';

/** Kinds of rows whose figures cannot all be right. */
export const ROW_DOUBT_KINDS = ['energy', 'parts', 'weight'] as const;
export type RowDoubtKind = (typeof ROW_DOUBT_KINDS)[number];

/** What can be done with such rows. Energy from macronutrients mends only what is wrong with energy. */
export const ROW_WAYS = ['out', 'factored', 'asIs'] as const;
export type RowWay = (typeof ROW_WAYS)[number];

/** What was said is to be done, by kind. */
export type RowWays = { readonly [kind in RowDoubtKind]?: RowWay };

/** A row that cannot be right as it stands, and why. */
export interface RowDoubt {
  readonly kind: RowDoubtKind;
  readonly message: string;
}

type TableFood = Omit<Food, 'id'>;

/** Energy of less is none worth a word: water, salt, tea. kcal in 100 g. */
const HARDLY_ANY = 15;

/** The ways that are open for a kind of doubt. */
export function waysFor(kind: RowDoubtKind): readonly RowWay[] {
  return kind === 'energy' ? ROW_WAYS : ROW_WAYS.filter((way) => way !== 'factored');
}

/**
 * What cannot be right about a row of a food table: energy that its macronutrients do not make or that is missing while they would
 * make some (an oil without energy), a part above its whole, more in it than it weighs (docs/reckoning.md, "Energy two ways").
 *
 * @param energyTaken whether the table's energy is taken at all: one that never says it lacks it in no row
 */
export function rowDoubts(food: TableFood, energyTaken: boolean): RowDoubt[] {
  const whole: Food = { ...food, id: 'row' };
  const doubts: RowDoubt[] = [];
  const missing = energyTaken ? withoutEnergy(whole) : undefined;
  if (missing !== undefined)
    doubts.push({ kind: 'energy', message: `no energy, though its macronutrients make ${Math.round(missing)} kcal` });
  for (const { code, field, message } of foodDoubts(whole)) {
    const kind = KIND_OF[code] ?? (field === 'energyKcal' ? 'energy' : 'weight');
    if (kind !== undefined && !(kind === 'energy' && doubts.some((doubt) => doubt.kind === 'energy')))
      doubts.push({ kind, message: message.replace(/^The label/, 'The table') });
  }
  return doubts;
}

const KIND_OF: { readonly [code: string]: RowDoubtKind } = {
  'energy-mismatch': 'energy',
  'part-above-whole': 'parts',
  'more-than-100-g': 'weight',
};

/** Energy that a food's macronutrients make, where the table has none or 0 for it. Fat alone is enough to say so of an oil. */
function withoutEnergy(food: Food): number | undefined {
  const nutrients = food.nutrients ?? {};
  const energy = known(nutrients.energyKcal) ?? known(nutrients.energyKj);
  if (energy !== undefined && energy > 0) return undefined;
  const made = atwaterEnergy(food) ?? 9 * (known(nutrients.fat) ?? 0);
  return made > HARDLY_ANY ? made : undefined;
}

/** What a row comes to by what was said is to be done with rows like it. */
export type SettledRow =
  | { readonly kind: 'taken'; readonly food: TableFood }
  | { readonly kind: 'left out'; readonly doubt: RowDoubt }
  /** Nothing was said of rows like it: it is neither taken nor left out. */
  | { readonly kind: 'unsaid'; readonly doubt: RowDoubt };

/** Does with a doubtful row what was said; one that is left out by one of its doubts is left out. */
export function settledRow(food: TableFood, doubts: readonly RowDoubt[], ways: RowWays): SettledRow {
  const out = doubts.find(({ kind }) => ways[kind] === 'out');
  if (out) return { kind: 'left out', doubt: out };
  const unsaid = doubts.find(({ kind }) => ways[kind] === undefined || !waysFor(kind).includes(ways[kind]));
  if (unsaid) return { kind: 'unsaid', doubt: unsaid };
  const factored = doubts.some(({ kind }) => ways[kind] === 'factored') ? withFactoredEnergy(food) : food;
  if (factored) return { kind: 'taken', food: factored };
  return {
    kind: 'left out',
    doubt: { kind: 'energy', message: 'no energy, and not all of protein, fat and carbohydrate to make it from' },
  };
}

/** The food with the energy that its macronutrients make; undefined where not all of them are known. */
function withFactoredEnergy(food: TableFood): TableFood | undefined {
  const made = atwaterEnergy({ ...food, id: 'row' });
  if (made === undefined) return undefined;
  const nutrients = { ...food.nutrients };
  delete nutrients.energyKj;
  return { ...food, nutrients: { ...nutrients, energyKcal: Number(made.toPrecision(12)) }, energyIs: 'factored' };
}
