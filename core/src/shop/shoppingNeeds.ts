import { packGrams } from '../price/index.js';
import { compensatedSum } from '../quantity/index.js';
import { recipeFigures, servedOf, type Kitchen, type LineFigures, type PartFigures, type Recipe } from '../recipe/index.js';
import { scaledRecipe } from '../scale/index.js';
import type { Session } from '../plan/index.js';
import type { StockItem } from './stockItem.js';

/** What one dish of one session needs of a food: grams as purchased; undefined where a line of it has no weight. */
export interface DishNeed {
  /** Index of the session in the list asked for. */
  readonly session: number;
  /** Index of the dish in its session. */
  readonly dish: number;
  readonly recipe: string;
  readonly grams: number | undefined;
}

/** What a food is needed for, and what is there of it. */
export interface FoodNeed {
  readonly food: string;
  /** Grams as purchased, all dishes together; undefined where a line has no weight. */
  readonly need: number | undefined;
  /** Grams taken from stock. */
  readonly stock: number | undefined;
  /** Grams to buy. */
  readonly buy: number | undefined;
  readonly dishes: readonly DishNeed[];
  /** Grams taken of each entry of the stock, by its index. */
  readonly taken: ReadonlyMap<number, number>;
}

/** What sessions need, food by food. */
export interface ShoppingNeeds {
  /** By food id. */
  readonly foods: readonly FoodNeed[];
  /** Words of lines that no food was matched to: they cannot be bought for. */
  readonly unmatched: readonly { readonly recipe: string; readonly at: string; readonly text: string }[];
}

/**
 * What sessions need of each food, less what is in stock (kitchen file, Stock and shopping): every counted line in the box and at the
 * table, each dish at its size; sessions take from stock in order of their days, what is to be used first before what keeps, nothing
 * after its day.
 *
 * @throws UnknownFoodError, UnknownPartError, CircularPartError
 */
export function shoppingNeeds(sessions: readonly Session[], stock: readonly StockItem[], kitchen: Kitchen): ShoppingNeeds {
  const needed = new Map<string, DishNeed[]>();
  const unmatched: { recipe: string; at: string; text: string }[] = [];
  for (const [s, session] of sessions.entries())
    for (const [d, { recipe: id, boxes }] of session.dishes.entries()) {
      const recipe = kitchen.recipe(id);
      if (!recipe) continue;
      const lines = dishLines(recipe, boxes, kitchen);
      for (const [food, grams] of needsOf(lines)) {
        const dishes = needed.get(food) ?? [];
        dishes.push({ session: s, dish: d, recipe: id, grams });
        needed.set(food, dishes);
      }
      for (const { at, of } of lines) if (of.kind === 'unmatched') unmatched.push({ recipe: id, at, text: of.text });
    }
  const order = sessions.map(({ date }, s) => ({ date, s })).sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : a.s - b.s));
  const foods = [...needed.keys()]
    .sort((a, b) => (a < b ? -1 : 1))
    .map((food) => foodNeed(food, needed.get(food) ?? [], order, stock, kitchen));
  return { foods, unmatched };
}

/** Counted lines of a dish at a size, in the box and at the table. */
function dishLines(recipe: Recipe, boxes: number | undefined, kitchen: Kitchen): LineFigures[] {
  const sized = boxes === undefined ? recipe : scaledRecipe(recipe, boxes, kitchen).recipe;
  const { parts } = recipeFigures(sized, kitchen);
  return parts.filter(({ part }) => servedOf(part) !== 'optional').flatMap(({ lines }) => lines.filter(({ counted }) => counted));
}

/** Grams of each food that lines buy; undefined for a food that a line without weight names. */
function needsOf(lines: readonly LineFigures[]): Map<string, number | undefined> {
  const grams = new Map<string, number[]>();
  const unknown = new Set<string>();
  for (const { purchases, weights, of } of lines) {
    for (const purchase of purchases) {
      const sofar = grams.get(purchase.food);
      if (sofar) sofar.push(purchase.grams);
      else grams.set(purchase.food, [purchase.grams]);
    }
    if (of.kind === 'food' && !weights) unknown.add(of.resolved.food.id);
    if (of.kind === 'part') for (const food of unweighedIn(of.part, weights === undefined)) unknown.add(food);
  }
  const needs = new Map<string, number | undefined>([...grams].map(([food, terms]) => [food, compensatedSum(terms)]));
  for (const food of unknown) needs.set(food, undefined);
  return needs;
}

/** Foods of a part whose lines have no weight; all of them, where it is not known how much of the part is taken. */
function unweighedIn({ lines }: PartFigures, all: boolean): string[] {
  return lines
    .filter(({ counted }) => counted)
    .flatMap(({ of, weights }) => {
      if (of.kind === 'food') return all || !weights ? [of.resolved.food.id] : [];
      return of.kind === 'part' ? unweighedIn(of.part, all || !weights) : [];
    });
}

function foodNeed(
  food: string,
  dishes: readonly DishNeed[],
  order: readonly { readonly date: string; readonly s: number }[],
  stock: readonly StockItem[],
  kitchen: Kitchen,
): FoodNeed {
  const taken = new Map<number, number>();
  const known = dishes.flatMap(({ grams }) => grams ?? []);
  if (known.length < dishes.length) return { food, need: undefined, stock: undefined, buy: undefined, dishes, taken };
  const held = stock
    .flatMap((entry, i) => (entry.food === food ? [{ entry, i, left: gramsHeld(entry, kitchen) }] : []))
    .sort((a, b) => compareDays(a.entry.bestBefore, b.entry.bestBefore) || a.i - b.i);
  const rests: number[] = [];
  for (const { date, s } of order) {
    let missing = compensatedSum(dishes.flatMap(({ session, grams }) => (session === s ? (grams ?? 0) : [])));
    for (const one of held) {
      if (missing <= 0 || (one.entry.bestBefore !== undefined && one.entry.bestBefore < date)) continue;
      const here = Math.min(missing, one.left);
      if (here <= 0) continue;
      one.left -= here;
      missing -= here;
      taken.set(one.i, (taken.get(one.i) ?? 0) + here);
    }
    rests.push(missing);
  }
  const need = compensatedSum(known);
  const used = compensatedSum([...taken.values()]);
  // What is short by binary noise is not short.
  const buy = compensatedSum(rests);
  return { food, need, stock: used, buy: buy <= 1e-9 * need ? 0 : buy, dishes, taken };
}

/** Grams of something in stock; none where no weight can be had. */
export function gramsHeld({ food, amount, unit }: StockItem, kitchen: Kitchen): number {
  const known = kitchen.food(food);
  return (known && packGrams({ net: amount, unit }, known)) ?? 0;
}

/** The earlier day first; what keeps last. */
function compareDays(a: string | undefined, b: string | undefined): number {
  if (a === b) return 0;
  if (a === undefined) return 1;
  return b === undefined || a < b ? -1 : 1;
}
