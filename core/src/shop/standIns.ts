import type Big from 'big.js';
import type { Food } from '../food/index.js';
import { foodWords } from '../match/index.js';
import { candidatePacks, type Pack } from '../price/index.js';
import { perGramOf, type FigureKey, type Kitchen } from '../recipe/index.js';

/** A food that may be bought in another's place. */
export interface StandIn {
  readonly food: string;
  /** Words of their names that both have. */
  readonly shared: number;
  /** kcal of 100 g of each, where both are known. */
  readonly energy: readonly [instead: number, of: number] | undefined;
}

/** Figures by which foods are held beside each other. */
const COMPARED: readonly FigureKey[] = ['energyKcal', 'protein', 'fat', 'carbohydrateAvailable'];
/** Grams of each that count as one: energy by 4 kcal a gram. */
const PER_GRAM_OF_ENERGY = 4;
/** Foods that share no word of their names may be so far apart, grams in 100 g, all figures together. */
const FARTHEST = 10;
/** Foods that share a word may be farther: stock of one kind for stock of another. */
const FARTHEST_NAMED = 40;

/**
 * Foods that may be bought where one is not there: of the same aisle and in the same state, with a price that counts; those whose names
 * share words first, then by how near 100 g of them come. Which of them does in a dish is for the cook to say.
 *
 * @param kitchen with the foods to choose among, and their packs
 * @param without ids of foods that are on the list for themselves
 */
export function standInsFor(food: Food, kitchen: Kitchen, without: ReadonlySet<string>, most = 3): StandIn[] {
  // Water, salt: nothing of the kind can be told by figures.
  if (!perGramOf(kitchen.resolvedFood(food.id), 'energyKcal')) return [];
  const words = new Set(headOf(food));
  return kitchen.content.foods
    .flatMap((other) => {
      if (other.id === food.id || without.has(other.id) || other.aisle === undefined || other.aisle !== food.aisle) return [];
      if ((other.state ?? 'raw') !== (food.state ?? 'raw') || !kitchen.resolvedFood(other.id).best) return [];
      const shared = headOf(other).filter((word) => words.has(word)).length;
      const apart = distance(food, other, kitchen);
      if (apart === undefined || apart > (shared > 0 ? FARTHEST_NAMED : FARTHEST)) return [];
      return [{ food: other.id, shared, energy: energiesOf(other, food, kitchen), apart }];
    })
    .sort((a, b) => b.shared - a.shared || a.apart - b.apart || (a.food < b.food ? -1 : 1))
    .slice(0, most)
    .map(({ food: id, shared, energy }) => ({ food: id, shared, energy }));
}

/** What a food is, without its kind, state or maker: as far as its first comma, and without what it lies in. */
function headOf({ name }: Food): string[] {
  return foodWords(name.split(/,| in | with /)[0] ?? name);
}

/** How far 100 g of two foods are apart, grams; undefined where nothing of both is known. */
function distance(a: Food, b: Food, kitchen: Kitchen): number | undefined {
  const apart = COMPARED.flatMap((key) => {
    const [x, y] = [a, b].map(({ id }) => perGramOf(kitchen.resolvedFood(id), key));
    return x === undefined || y === undefined ? [] : [(Math.abs(x - y) * 100) / (key === 'energyKcal' ? PER_GRAM_OF_ENERGY : 1)];
  });
  return apart.length === 0 ? undefined : apart.reduce((sum, one) => sum + one, 0);
}

function energiesOf(a: Food, b: Food, kitchen: Kitchen): StandIn['energy'] {
  const [x, y] = [a, b].map(({ id }) => perGramOf(kitchen.resolvedFood(id), 'energyKcal'));
  return x === undefined || y === undefined ? undefined : [x * 100, y * 100];
}

/** Packs of one kind that weigh enough. */
export interface EnoughPacks {
  readonly pack: Pack;
  readonly count: number;
  /** Of all of them, exact, major units. */
  readonly price: Big;
}

/** The cheapest packs of one kind that weigh so many grams, of a shop where that has any; undefined where none has a price that counts. */
export function enoughPacks(food: Food, grams: number, shop: string, kitchen: Kitchen): EnoughPacks | undefined {
  const all = candidatePacks(food, kitchen.packsOf(food.id), kitchen.settings);
  const here = all.filter(({ pack }) => pack.shop === shop);
  const enough = (here.length > 0 ? here : all).map(({ pack, grams: each, price }) => {
    const count = Math.ceil(grams / each - 1e-9);
    return { pack, count, price: price.times(count) };
  });
  return enough.sort((a, b) => a.price.cmp(b.price))[0];
}
