import { lastDay, whenceOn, type BoxPool } from './boxPool.js';
import { poolsByKey } from './weekDay.js';
import { dayAfter, poolKey, type GoneBoxes, type PlannedMeal, type Week } from './week.js';
import type { WeekGround } from './weekNotes.js';

/** What shelves follow from. */
type ShelfGround = Pick<WeekGround, 'pools' | 'others' | 'gone'>;

/** A box on a shelf, and who it waits for. */
export interface ShelvedBox {
  /** The meal it is for; left out: nobody's yet. */
  readonly meal?: PlannedMeal;
}

/** Boxes of a pool that stand together on a shelf. */
export interface ShelfGroup {
  readonly pool: BoxPool;
  readonly boxes: readonly ShelvedBox[];
  /** The last day they are eaten from here; ISO. */
  readonly until: string;
  /** They were frozen, and thaw since last night. */
  readonly thawed: boolean;
}

/** What is in the fridge and in the freezer on the morning of a day, as it is planned. */
export interface Shelves {
  readonly fridge: readonly ShelfGroup[];
  readonly freezer: readonly ShelfGroup[];
  /** Boxes that nobody was given and whose day is over: they are no more to be eaten. */
  readonly past: readonly ShelfGroup[];
}

/** What is put from one place into another on the evening of a day. */
export interface EveningMove {
  readonly pool: BoxPool;
  readonly meals: readonly PlannedMeal[];
  readonly count: number;
}

/**
 * The shelves on the morning of a day: what was eaten before is gone; a box that is eaten within its days in the fridge stands there, what
 * is eaten later or by nobody is in the freezer, and what is thawed for the day stands in the fridge.
 *
 * @param date ISO day
 */
export function shelvesOn(week: Week, ground: ShelfGround, date: string): Shelves {
  const meals = [...ground.others, ...week.meals].sort((a, b) => inOrder(a.date, b.date));
  const [fridge, freezer, past]: [ShelfGroup[], ShelfGroup[], ShelfGroup[]] = [[], [], []];
  for (const pool of ground.pools) {
    if (pool.cooked >= date) continue;
    const own = meals.filter(({ box }) => poolKey(box) === pool.key);
    const away = own.filter((meal) => meal.date < date).length + goneFrom(pool, [...ground.gone, ...(week.gone ?? [])]);
    const waiting = own.filter((meal) => meal.date >= date);
    const cold: ShelvedBox[] = [];
    const frozen: ShelvedBox[] = [];
    const thawed: ShelvedBox[] = [];
    for (const meal of waiting) {
      const whence = whenceOn(pool, meal.date, meal.meal);
      if (whence === 'freezer') (meal.date === date ? thawed : frozen).push({ meal });
      else (pool.keep === 'freezer' ? frozen : cold).push({ meal });
    }
    const spare = Array.from({ length: Math.max(0, pool.count - away - waiting.length) }, (): ShelvedBox => ({}));
    if (spare.length > 0) {
      // Nobody's: it is frozen where it can be, since only so it keeps.
      if (pool.keep === 'freezer' || (pool.keep === undefined && pool.freezerUntil !== undefined)) {
        if (pool.freezerUntil !== undefined && pool.freezerUntil >= date) frozen.push(...spare);
        else past.push(group(pool, spare, lastDay(pool)));
      } else if (pool.fridgeUntil !== undefined && pool.fridgeUntil >= date) cold.push(...spare);
      else past.push(group(pool, spare, lastDay(pool)));
    }
    if (cold.length > 0) fridge.push(group(pool, cold, pool.fridgeUntil ?? pool.cooked));
    if (thawed.length > 0) fridge.push(group(pool, thawed, date, true));
    if (frozen.length > 0) freezer.push(group(pool, frozen, pool.freezerUntil ?? pool.cooked));
  }
  const byDay = (a: ShelfGroup, b: ShelfGroup) => inOrder(a.until, b.until) || inOrder(a.pool.title, b.pool.title);
  return { fridge: fridge.sort(byDay), freezer: freezer.sort(byDay), past: past.sort(byDay) };
}

function group(pool: BoxPool, boxes: readonly ShelvedBox[], until: string, thawed = false): ShelfGroup {
  return { pool, boxes, until, thawed };
}

function goneFrom({ key }: BoxPool, gone: readonly GoneBoxes[]): number {
  return gone.reduce((sum, { box, count }) => (poolKey(box) === key ? sum + count : sum), 0);
}

function inOrder(a: string, b: string): number {
  return a < b ? -1 : a > b ? 1 : 0;
}

/** What goes from the freezer into the fridge on the evening of a day: what is eaten the day after. */
export function thawsOn(week: Week, ground: ShelfGround, date: string): EveningMove[] {
  const next = dayAfter(date, 1);
  return moves(week, ground, (pool, meal) => meal.date === next && whenceOn(pool, meal.date, meal.meal) === 'freezer');
}

/** What goes into the freezer on the evening it is cooked: what is eaten from there, and what nobody was given. */
export function freezesOn(week: Week, ground: ShelfGround, date: string): EveningMove[] {
  const meals = [...ground.others, ...week.meals];
  return ground.pools.flatMap((pool): EveningMove[] => {
    if (pool.cooked !== date || pool.keep !== undefined || pool.freezerUntil === undefined) return [];
    const own = meals.filter(({ box }) => poolKey(box) === pool.key);
    const frozen = own.filter((meal) => whenceOn(pool, meal.date, meal.meal) === 'freezer');
    const count = frozen.length + Math.max(0, pool.count - own.length - goneFrom(pool, [...ground.gone, ...(week.gone ?? [])]));
    return count > 0 ? [{ pool, meals: frozen, count }] : [];
  });
}

/** An evening on which boxes change places. */
export interface Evening {
  /** ISO day. */
  readonly date: string;
  readonly thaw: readonly EveningMove[];
  readonly freeze: readonly EveningMove[];
}

/** The evenings of some days, both days counted, of all weeks together; those on which nothing is to be done are left out. */
export function eveningsFrom(weeks: readonly Week[], pools: readonly BoxPool[], from: string, last: string): Evening[] {
  const ground = { pools, others: weeks.flatMap(({ meals }) => meals), gone: weeks.flatMap(({ gone = [] }) => gone) };
  const none: Week = { id: '', from, meals: [] };
  const evenings: Evening[] = [];
  for (let date = from; date <= last; date = dayAfter(date, 1)) {
    const [thaw, freeze] = [thawsOn(none, ground, date), freezesOn(none, ground, date)];
    if (thaw.length + freeze.length > 0) evenings.push({ date, thaw, freeze });
  }
  return evenings;
}

function moves(week: Week, ground: ShelfGround, goes: (pool: BoxPool, meal: PlannedMeal) => boolean): EveningMove[] {
  const pools = poolsByKey(ground.pools);
  const found = new Map<BoxPool, PlannedMeal[]>();
  for (const meal of [...ground.others, ...week.meals]) {
    const pool = pools.get(poolKey(meal.box));
    if (pool && goes(pool, meal)) found.set(pool, [...(found.get(pool) ?? []), meal]);
  }
  return [...found].map(([pool, meals]) => ({ pool, meals, count: meals.length }));
}
