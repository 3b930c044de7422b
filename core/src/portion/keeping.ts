import { addDays, addMonths, format, parseISO } from 'date-fns';
import type { BatchBox } from '../batch/index.js';
import type { Food } from '../food/index.js';
import type { Guideline, Settings, Storage } from '../recipe/index.js';
import { holdsRice } from '../card/index.js';

interface FridgeRule {
  readonly name: string;
  /** Days proposed, and days allowed at most. */
  readonly usual: number;
  readonly most: number;
  /** Days that boxes with cooked rice are allowed at most. */
  readonly mostRice: number;
}

/** How long a guideline keeps cooked boxes in the fridge (docs/reckoning.md, "Cautions"). */
const FRIDGE: Readonly<Record<Guideline, FridgeRule>> = {
  uk: { name: 'UK guideline', usual: 2, most: 2, mostRice: 1 },
  us: { name: 'US guideline', usual: 3, most: 4, mostRice: 4 },
};
/** Days proposed for boxes with cooked rice, whatever the guideline: what every card says of them. */
const RICE_DAYS = 1;
/** Months in the freezer where the recipe does not say. */
const USUAL_FREEZER_MONTHS = 3;

/** How long boxes of a dish keep, and by whose word. */
export interface KeepingLimits {
  readonly guideline: string;
  /** Days in the fridge proposed, and what allows that. */
  readonly fridgeDays: number;
  readonly because: string;
  /** Days that the guideline allows at most: longer needs a reason. */
  readonly mostDays: number;
  readonly freezes: boolean;
  readonly freezerMonths: number;
  /** Nobody said how many months: the usual ones. */
  readonly monthsAssumed: boolean;
}

/** When a box is to be eaten. ISO days. */
export interface BoxKeeping {
  readonly useBy: string;
  /** The night before it can be eaten at the latest, for one that is frozen. */
  readonly thawBy?: string;
  /** The guideline's own day, where this is later. */
  readonly beyond?: string;
  /** Longer than the guideline, and nobody said why. */
  readonly unexplained: boolean;
}

/** The guideline that a kitchen follows: the one it chose, else the US one under US rules, else the UK one. */
export function guidelineOf({ guideline, rules }: Pick<Settings, 'guideline' | 'rules'>): Guideline {
  return guideline ?? (rules === 'us' ? 'us' : 'uk');
}

/** How long boxes with these foods keep. */
export function keepingLimits(foods: readonly Food[], storage: Storage = {}, guideline: Guideline): KeepingLimits {
  const { usual, most, mostRice, name } = FRIDGE[guideline];
  const rice = holdsRice(foods);
  const mostDays = rice ? mostRice : most;
  const proposed = Math.min(rice ? RICE_DAYS : usual, mostDays);
  const said = storage.fridgeDays;
  const fridgeDays = Math.floor(rice ? Math.min(said ?? proposed, proposed) : Math.min(said ?? proposed, mostDays));
  const because =
    said !== undefined && said <= fridgeDays
      ? 'the recipe says so'
      : `${rice ? 'because of the rice' : name}${said === undefined ? '' : `; the recipe says ${said}`}`;
  return {
    guideline: name,
    fridgeDays,
    because,
    mostDays,
    freezes: storage.freezes !== false,
    freezerMonths: storage.freezerMonths ?? USUAL_FREEZER_MONTHS,
    monthsAssumed: storage.freezerMonths === undefined,
  };
}

/**
 * When a box is to be eaten: tonight, within the days of the guideline, or within the months of the freezer and thawed the night
 * before. A day that was set stands, and is told where it is later than the guideline's.
 *
 * @param cooked ISO day
 */
export function boxKeeping({ keep = 'fridge', useBy, because }: BatchBox, cooked: string, limits: KeepingLimits): BoxKeeping {
  const from = parseISO(cooked);
  const day = (date: Date) => format(date, 'yyyy-MM-dd');
  if (keep === 'tonight') return { useBy: cooked, unexplained: false };
  const proposed = day(keep === 'freezer' ? addMonths(from, Math.floor(limits.freezerMonths)) : addDays(from, limits.fridgeDays));
  const most = keep === 'freezer' ? proposed : day(addDays(from, limits.mostDays));
  const until = useBy ?? proposed;
  return {
    useBy: until,
    ...(keep === 'freezer' ? { thawBy: day(addDays(parseISO(until), -1)) } : {}),
    ...(until > most ? { beyond: most } : {}),
    unexplained: until > most && (because ?? '').trim() === '',
  };
}
