import type { Food } from '../food/index.js';
import { stepInCircle } from '../method/index.js';
import { equipmentOf, sessionSteps, type Session } from '../plan/index.js';
import { stepOf, type Recipe } from '../recipe/index.js';
import type { StockItem } from '../shop/index.js';
import type { BatchGround } from './batchFaults.js';
import { didYouMean, type Fault } from './fault.js';
import { packFaults } from './referenceFaults.js';

/** Steps of a session, all dishes together: what a plan is looked for in the time a person waits. */
const MOST_STEPS = 600;

/**
 * Faults of a session against what it cooks: recipes, ways and steps that are not there, what is done twice or ends before it starts.
 */
export function* sessionFaults(session: Session, ground: Pick<BatchGround, 'recipes' | 'unread'>, path: string): Generator<Fault> {
  const { recipes, unread } = ground;
  let steps = 0;
  for (const [d, { recipe: id, choose = {} }] of session.dishes.entries()) {
    const at = `${path}.dishes[${d}]`;
    const recipe = recipes.get(id);
    if (!recipe) {
      if (!unread.has(id)) yield { path: `${at}.recipe`, message: `unknown recipe "${id}"${didYouMean(id, [...recipes.keys()])}` };
      continue;
    }
    steps += recipe.steps?.length ?? 0;
    yield* chosenFaults(recipe, choose, `${at}.choose`);
  }
  if (steps > MOST_STEPS)
    yield { path: `${path}.dishes`, message: `hold ${steps} steps together; a session has ${MOST_STEPS} at most: split it` };
  yield* doneFaults(session, recipes, path);
}

function* chosenFaults(recipe: Recipe, choose: NonNullable<Session['dishes'][number]['choose']>, path: string): Generator<Fault> {
  const steps = (recipe.steps ?? []).map(stepOf);
  for (const [number, way] of Object.entries(choose)) {
    const step = steps[Number(number) - 1];
    const ways = (step?.or ?? []).map(({ name }) => name);
    if (!step) yield { path: `${path}.${number}`, message: `there is no step ${number}; the recipe has ${steps.length}` };
    else if (!ways.includes(way))
      yield {
        path: `${path}.${number}`,
        message: ways.length === 0 ? `step ${number} has no other way` : `unknown way "${way}"; step ${number} has: ${ways.join(', ')}`,
      };
  }
}

/**
 * Why a session cannot be planned: steps that hold more than there is of something. What it cooks may change after it was written, so this
 * is asked when it is planned, and the file is sound all the same.
 *
 * @param pathOf where a recipe stands, by its id: put before the path of the step
 */
export function unplannable(session: Session, recipes: ReadonlyMap<string, Recipe>, pathOf: (recipe: string) => string): Fault[] {
  const faults = session.dishes.flatMap(({ recipe: id }, d) => {
    const recipe = recipes.get(id);
    return recipe ? [...heldFaults(session, recipe, d, pathOf(id))] : [];
  });
  // A recipe may stand twice: what is wrong with it is told once.
  return faults.filter(({ path, message }, i) => faults.findIndex((other) => other.path === path && other.message === message) === i);
}

/**
 * A session without what speaks of steps and ways that are not there any more: recipes change, and what was noted of a step that is gone
 * says nothing.
 */
export function withoutGoneSteps(session: Session, recipes: ReadonlyMap<string, Recipe>): Session {
  const stepsOf = (dish: number) => recipes.get(session.dishes[dish - 1]?.recipe ?? '')?.steps ?? [];
  const there = <One extends { readonly dish: number; readonly step: number }>(list: readonly One[]) =>
    list.filter(({ dish, step }) => step <= stepsOf(dish).length);
  const dishes = session.dishes.map(({ choose, ...dish }, d) => {
    if (!choose) return dish;
    const steps = stepsOf(d + 1).map(stepOf);
    const kept = Object.entries(choose).filter(([number, way]) => steps[Number(number) - 1]?.or?.some(({ name }) => name === way));
    return kept.length === 0 ? dish : { ...dish, choose: Object.fromEntries(kept) };
  });
  return {
    ...session,
    dishes,
    ...(session.done ? { done: there(session.done) } : {}),
    ...(session.adjusted ? { adjusted: there(session.adjusted) } : {}),
    ...(session.pinned ? { pinned: there(session.pinned) } : {}),
  };
}

/** Steps that hold more than there is of something: no plan has a place for them. */
function* heldFaults(session: Session, recipe: Recipe, dish: number, path: string): Generator<Fault> {
  const steps = sessionSteps(session, dish, recipe);
  // A circle is the recipe's own fault.
  if (stepInCircle(steps) !== undefined) return;
  const there = equipmentOf(session);
  for (const { number, uses, minutes } of steps) {
    for (const name of new Set(uses.map((use) => use.name))) {
      const heats = uses.flatMap((use) => (use.name === name ? [use.at] : []));
      const shelves = there.get(name) ?? [1];
      const says = `step ${number} of "${recipe.title}" holds ${heats.length === 1 ? '' : `${heats.length} of `}"${name}"`;
      if (shelves.length === 0)
        yield { path: `${path}.steps[${number - 1}].uses`, message: `${says}, and this session has none; add one, or choose another way` };
      else if (minutes > 0 && !haveRoom(heats, shelves, session.ovenTolerance ?? 0))
        yield {
          path: `${path}.steps[${number - 1}].uses`,
          message: `${says}, and there is no room for them at once; add a unit or a shelf`,
        };
    }
  }
}

/** Whether places at these heats can be had in units at once. */
function haveRoom(heats: readonly (number | undefined)[], shelves: readonly number[], tolerance: number): boolean {
  const units = shelves.map((places): { places: number; heats: number[] } => ({ places, heats: [] }));
  const place = (i: number): boolean => {
    if (i === heats.length) return true;
    const heat = heats[i];
    for (const unit of units) {
      if (unit.places === 0 || (heat !== undefined && unit.heats.some((other) => Math.abs(other - heat) > tolerance))) continue;
      unit.places--;
      if (heat !== undefined) unit.heats.push(heat);
      if (place(i + 1)) return true;
      unit.places++;
      if (heat !== undefined) unit.heats.pop();
    }
    return false;
  };
  return place(0);
}

function* doneFaults(
  { done = [], pinned = [], adjusted = [], dishes }: Session,
  recipes: ReadonlyMap<string, Recipe>,
  path: string,
): Generator<Fault> {
  for (const [list, entries] of Object.entries({ done, pinned, adjusted })) {
    const seen = new Set<string>();
    for (const [i, { dish, step }] of entries.entries()) {
      const at = `${path}.${list}[${i}]`;
      const cooked = dishes[dish - 1];
      const known = cooked && recipes.get(cooked.recipe);
      const count = known?.steps?.length ?? 0;
      if (!cooked) yield { path: `${at}.dish`, message: `there is no dish ${dish}; the session has ${dishes.length}` };
      else if (known && step > count) yield { path: `${at}.step`, message: `there is no step ${step}; the recipe has ${count}` };
      if (seen.has(`${dish}/${step}`)) yield { path: at, message: `dish ${dish} step ${step} is told twice; keep one of them` };
      seen.add(`${dish}/${step}`);
    }
  }
  for (const [i, { start, end }] of done.entries())
    if (end !== undefined && end < start) yield { path: `${path}.done[${i}].end`, message: `ends before it starts, at ${start}` };
}

/** Faults of something in stock: a food nobody holds, a unit it cannot be counted in. */
export function* stockFaults(
  { food, amount, unit }: StockItem,
  ground: { readonly foods: ReadonlyMap<string, Food>; readonly unread: ReadonlySet<string> },
  path: string,
): Generator<Fault> {
  if (ground.unread.has(food)) return;
  yield* packFaults({ food, net: amount, unit, price: 0, currency: '', shop: '', seen: '' }, ground.foods, path);
}
