import type { Food } from '../food/index.js';
import { gramsOfPrintedBasis, measureOf } from '../food/index.js';
import {
  COUNT_WORDS,
  gramsOfKitchenWord,
  gramsOfMassUnit,
  isCountWord,
  isVolumeWord,
  KITCHEN_WORDS,
  MASS_UNITS,
  millilitresOf,
  VOLUME_UNITS,
  type MeasuringSystem,
} from '../quantity/index.js';
import {
  mentionsIn,
  placedLines,
  placesByReference,
  stepOf,
  variantRecipe,
  type Line,
  type Recipe,
  type Settings,
  type Variant,
} from '../recipe/index.js';
import { stepInCircle, timedSteps } from '../method/index.js';
import type { Pack } from '../price/index.js';
import { didYouMean, firstOf, type Fault } from './fault.js';
import { circleFaults } from './circleFaults.js';

/** Entries of a file in their places; undefined where one cannot be read. */
export interface Places {
  readonly foods: readonly (Food | undefined)[];
  readonly packs: readonly (Pack | undefined)[];
  readonly recipes: readonly (Recipe | undefined)[];
}

/** Ids of entries that are there and cannot be read: nothing is said against what names them. */
export interface Unread {
  readonly foods: ReadonlySet<string>;
  readonly recipes: ReadonlySet<string>;
}

/** Faults between entries: ids used twice, foods and parts nobody holds, units nobody knows, parts that hold themselves. */
export function* referenceFaults(
  { foods, packs, recipes }: Places,
  unread: Unread,
  settings: Pick<Settings, 'measures'>,
): Generator<Fault> {
  const foodsById = new Map([...unread.foods].map((id) => [id, UNREAD_FOOD]));
  for (const food of foods) if (food) foodsById.set(food.id, food);
  const recipesById = new Map([...unread.recipes].map((id) => [id, UNREAD_RECIPE]));
  for (const recipe of recipes) if (recipe) recipesById.set(recipe.id, recipe);
  yield* twice(foods, 'foods');
  for (const [i, food] of foods.entries()) if (food) yield* foodFaults(food, `foods[${i}]`);
  for (const [i, pack] of packs.entries()) if (pack) yield* packFaults(pack, foodsById, `packs[${i}]`);
  yield* twice(recipes, 'recipes');
  for (const [i, recipe] of recipes.entries())
    if (recipe) yield* eachRecipeFault(recipe, foodsById, recipesById, settings, `recipes[${i}]`);
  const read = [...recipes.entries()].flatMap(([i, recipe]) => (recipe ? [{ recipe, path: `recipes[${i}]` }] : []));
  yield* circleFaults(
    read.map(({ recipe }) => recipe),
    read.map(({ path }) => path),
  );
}

/** What stands for an entry that is there and cannot be read. */
const UNREAD_FOOD: Food = { id: '', name: '' };
const UNREAD_RECIPE: Recipe = { id: '', title: '', servings: 1, parts: [] };

/** Faults of a food that its shape cannot tell. */
export function foodFaults(food: Food, path: string): Fault[] {
  const faults: Fault[] = [];
  if (typeof food.measuresAre === 'object')
    food.measuresAre.forEach((name, i) => {
      if (!measureOf(food, name))
        faults.push({
          path: `${path}.measuresAre[${i}]`,
          message: `the food has no measure "${name}"${didYouMean(name, Object.keys(food.measures ?? {}))}`,
        });
    });
  if (food.per && !gramsOfPrintedBasis(food))
    faults.push({
      path: `${path}.per`,
      message:
        food.per.unit === 'ml'
          ? 'per ml needs a density; add it in g per ml'
          : `unknown unit "${food.per.unit}"; use g, ml or a measure of the food that weighs something${didYouMean(food.per.unit, ['g', 'ml', ...Object.keys(food.measures ?? {})])}`,
    });
  return faults;
}

/** Faults of a pack: a food nobody holds, a unit it cannot be counted in. */
export function packFaults(pack: Pack, foods: ReadonlyMap<string, Food>, path: string): Fault[] {
  const food = foods.get(pack.food);
  if (!food) return [unknownFood(pack.food, foods, `${path}.food`)];
  if (food === UNREAD_FOOD) return [];
  const known = ['g', 'kg', 'ml', 'l', 'oz', 'lb', 'piece', ...Object.keys(food.measures ?? {})];
  return known.includes(pack.unit) ? [] : [{ path: `${path}.unit`, message: `unknown unit "${pack.unit}"${didYouMean(pack.unit, known)}` }];
}

/** Faults of a recipe against the foods and recipes it draws on. */
export function recipeFaults(
  recipe: Recipe,
  foods: ReadonlyMap<string, Food>,
  recipes: ReadonlyMap<string, Recipe>,
  settings: Pick<Settings, 'measures'>,
  path: string,
): Fault[] {
  return firstOf(eachRecipeFault(recipe, foods, recipes, settings, path));
}

function* eachRecipeFault(
  recipe: Recipe,
  foods: ReadonlyMap<string, Food>,
  recipes: ReadonlyMap<string, Recipe>,
  settings: Pick<Settings, 'measures'>,
  path: string,
): Generator<Fault> {
  const system = recipe.measures ?? settings.measures;
  const lines = recipe.parts.reduce((sum, part) => sum + part.lines.length, 0);
  if (lines > MOST_LINES) {
    yield { path: `${path}.parts`, message: `hold ${lines} lines; a recipe has ${MOST_LINES} at most: split it` };
    return;
  }
  const places = new Set([...recipe.parts.map(({ id }) => id), ...placesByReference(recipe).keys()]);
  yield* twice(recipe.parts, `${path}.parts`);
  for (const [p, part] of recipe.parts.entries()) yield* twice(part.lines, `${path}.parts[${p}].lines`);
  yield* twice((recipe.steps ?? []).map(stepOf), `${path}.steps`);
  yield* ratioCircleFaults(recipe, (p, l) => `${path}.parts[${p}].lines[${l}].scaling.ratioTo`);
  yield* variantFaults(recipe, { foods, recipes, places, system }, path);
  yield* stepFaults(recipe, places, path);
  for (const [p, part] of recipe.parts.entries()) {
    for (const [l, line] of part.lines.entries())
      yield* lineFaults(line, { foods, recipes, places, system }, `${path}.parts[${p}].lines[${l}]`);
    for (const [d, { food, unit }] of (part.discards ?? []).entries())
      yield* foodAndUnitFaults(food, unit, foods, system, `${path}.parts[${p}].discards[${d}]`);
  }
}

/** Steps that make a part, or mention a line, that is not there. */
function* stepFaults(recipe: Recipe, places: ReadonlySet<string>, path: string): Generator<Fault> {
  const { steps = [], parts } = recipe;
  const ids = parts.map(({ id }) => id);
  for (const [s, step] of steps.map(stepOf).entries()) {
    if (step.part !== undefined && !ids.includes(step.part))
      yield { path: `${path}.steps[${s}].part`, message: `unknown part "${step.part}"${didYouMean(step.part, ids)}` };
    for (const { at } of mentionsIn(step.text))
      if (!places.has(at)) yield { path: `${path}.steps[${s}]`, message: `mentions an unknown line "${at}"${didYouMean(at, [...places])}` };
    for (const [w, way] of (step.or ?? []).entries()) {
      for (const { at } of mentionsIn(way.text))
        if (!places.has(at))
          yield { path: `${path}.steps[${s}].or[${w}]`, message: `mentions an unknown line "${at}"${didYouMean(at, [...places])}` };
      if ((step.or ?? []).findIndex(({ name }) => name === way.name) < w)
        yield { path: `${path}.steps[${s}].or[${w}].name`, message: `"${way.name}" is another way's name already` };
    }
  }
  yield* orderFaults(recipe, path);
}

/** Steps that wait for a step that is not there, for themselves, or for each other in a circle. */
function* orderFaults(recipe: Recipe, path: string): Generator<Fault> {
  const steps = recipe.steps ?? [];
  let sound = true;
  for (const [s, { after = [] }] of steps.map(stepOf).entries())
    for (const [i, number] of after.entries())
      if (number > steps.length || number === s + 1) {
        sound = false;
        const message = number === s + 1 ? 'a step cannot wait for itself' : `there is no step ${number}; the recipe has ${steps.length}`;
        yield { path: `${path}.steps[${s}].after[${i}]`, message };
      }
  const inCircle = sound ? stepInCircle(timedSteps(recipe)) : undefined;
  if (inCircle !== undefined) {
    const { after } = stepOf(steps[inCircle - 1] ?? '');
    yield {
      path: `${path}.steps[${inCircle - 1}].after`,
      message: `step ${inCircle} waits for itself in a circle${after === undefined ? ' (it waits for the one before of its part)' : ''}; take a number out`,
    };
  }
}

/** Faults of variants: changes that are of no kind, of lines that are not there, or whose lines name what nobody holds. */
function* variantFaults(recipe: Recipe, { places, ...beside }: Known, path: string): Generator<Fault> {
  for (const [v, variant] of (recipe.variants ?? []).entries()) {
    const { changes } = variant;
    const known = { ...beside, places: new Set([...places, ...ownPlaces(variant)]) };
    const added = new Set<string>();
    let sound = true;
    for (const [c, change] of changes.entries()) {
      const at = `${path}.variants[${v}].changes[${c}]`;
      const where = 'at' in change ? change.at : change.part;
      if (!places.has(where))
        yield {
          path: `${at}.${'at' in change ? 'at' : 'part'}`,
          message: `unknown line or part "${where}"${didYouMean(where, [...places])}`,
        };
      const line = 'line' in change ? change.line : undefined;
      if ('part' in change && line?.id !== undefined) {
        const own = `${change.part}/${line.id}`;
        if (places.has(own) || added.has(own))
          yield { path: `${at}.line.id`, message: `"${line.id}" is already the id of a line of this part; give one of them another` };
        added.add(own);
      }
      const faults = line ? lineFaults(line, known, `${at}.line`) : [];
      sound &&= faults.length === 0;
      yield* faults;
    }
    // A ratio goes round through a variant only where one of its own lines is a ratio.
    if (sound && changes.some((change) => 'line' in change && isRatio(change.line)))
      yield* ratioCircleFaults(variantRecipe(recipe, variant), () => `${path}.variants[${v}]`);
  }
}

/** Lines that a variant adds, by their ids: its other lines may refer to them. */
function ownPlaces({ changes }: Variant): string[] {
  return changes.flatMap((change) =>
    'part' in change && 'line' in change && change.line.id !== undefined ? [`${change.part}/${change.line.id}`] : [],
  );
}

function isRatio({ scaling }: Line): boolean {
  return typeof scaling === 'object' && 'ratioTo' in scaling;
}

/** More than any recipe has. */
const MOST_LINES = 5000;

/** What a line's words may refer to. */
interface Known {
  readonly foods: ReadonlyMap<string, Food>;
  readonly recipes: ReadonlyMap<string, Recipe>;
  /** Lines and parts of the same recipe. */
  readonly places: ReadonlySet<string>;
  readonly system: MeasuringSystem;
}

function lineFaults(line: Line, { foods, recipes, places, system }: Known, path: string): Fault[] {
  const named = [line.food, line.recipe].filter((id) => id !== undefined).length;
  if (named === 0 && line.text !== undefined && line.text.trim() !== '') return [];
  if (named !== 1 || (line.recipe === undefined) !== (line.part === undefined))
    return [{ path, message: 'must name either a food, or a recipe and its part' }];
  const faults: Fault[] = [];
  if (line.amount === undefined && line.toTaste === undefined)
    faults.push({ path: `${path}.amount`, message: 'is missing; write an amount, or the grams assumed in "toTaste"' });
  if (line.amount !== undefined && line.unit === undefined)
    faults.push({ path: `${path}.unit`, message: 'is missing; write one, such as "g"' });
  if (line.food !== undefined) faults.push(...foodAndUnitFaults(line.food, line.unit, foods, system, path));
  else faults.push(...partLineFaults(line, recipes, path));
  const food = line.food === undefined ? undefined : foods.get(line.food);
  if (line.also && food && food !== UNREAD_FOOD) faults.push(...unitFaults(line.also.unit, food, system, `${path}.also.unit`));
  const bound = line.fit?.bound;
  if (typeof bound === 'object' && 'withLine' in bound && !places.has(bound.withLine))
    faults.push({
      path: `${path}.fit.bound.withLine`,
      message: `unknown line "${bound.withLine}"${didYouMean(bound.withLine, [...places])}`,
    });
  if (typeof line.scaling === 'object' && 'ratioTo' in line.scaling && !places.has(line.scaling.ratioTo))
    faults.push({
      path: `${path}.scaling.ratioTo`,
      message: `unknown line or part "${line.scaling.ratioTo}"${didYouMean(line.scaling.ratioTo, [...places])}`,
    });
  return faults;
}

function partLineFaults(line: Line, recipes: ReadonlyMap<string, Recipe>, path: string): Fault[] {
  const other = recipes.get(line.recipe ?? '');
  if (!other)
    return [{ path: `${path}.recipe`, message: `unknown recipe "${line.recipe}"${didYouMean(line.recipe ?? '', [...recipes.keys()])}` }];
  if (other === UNREAD_RECIPE) return [];
  const parts = other.parts.map(({ id }) => id);
  if (!parts.includes(line.part ?? ''))
    return [{ path: `${path}.part`, message: `recipe "${other.id}" has no part "${line.part}"${didYouMean(line.part ?? '', parts)}` }];
  const words = MASS_UNITS.map(({ word }) => word);
  if (line.unit !== undefined && gramsOfMassUnit(line.unit) === undefined)
    return [{ path: `${path}.unit`, message: `a part of another recipe is taken by weight: ${words.join(', ')}, not "${line.unit}"` }];
  return [];
}

function foodAndUnitFaults(
  foodId: string,
  unit: string | undefined,
  foods: ReadonlyMap<string, Food>,
  system: MeasuringSystem,
  path: string,
): Fault[] {
  const food = foods.get(foodId);
  if (!food) return [unknownFood(foodId, foods, `${path}.food`)];
  return unit === undefined || food === UNREAD_FOOD ? [] : unitFaults(unit, food, system, `${path}.unit`);
}

function unitFaults(unit: string, food: Food, system: MeasuringSystem, path: string): Fault[] {
  if (
    gramsOfMassUnit(unit) !== undefined ||
    measureOf(food, unit) ||
    unit === 'pack' ||
    isCountWord(unit) ||
    gramsOfKitchenWord(unit) !== undefined
  )
    return [];
  if (isVolumeWord(unit)) {
    if (millilitresOf(unit, system) !== undefined) return [];
    return [{ path, message: `there is no "${unit}" in ${system} measures; use ml, or the us or imperial system` }];
  }
  const known = [
    ...MASS_UNITS.map(({ word }) => word),
    ...VOLUME_UNITS.map(({ word }) => word),
    ...Object.keys(food.measures ?? {}),
    'pack',
    ...KITCHEN_WORDS.map(({ word }) => word),
    ...COUNT_WORDS,
  ];
  return [{ path, message: `unknown unit "${unit}"${didYouMean(unit, known) || `; use g, ml, or a measure that ${food.name} has`}` }];
}

/**
 * Ratios that go round in a circle: a line's weight would depend on itself.
 *
 * @param pathOf a line, by the index of its part and its own
 */
function ratioCircleFaults(recipe: Recipe, pathOf: (p: number, l: number) => string): Fault[] {
  const places = placesByReference(recipe);
  const ratios = new Map<string, { readonly to: string; readonly part: string; readonly path: string }>();
  for (const { part, p, l, line, at } of placedLines(recipe))
    if (typeof line.scaling === 'object' && 'ratioTo' in line.scaling) {
      const to = line.scaling.ratioTo;
      ratios.set(at, { to: places.get(to) ?? to, part: part.id, path: pathOf(p, l) });
    }
  const ofPart = new Map<string, string[]>();
  for (const [place, { part }] of ratios) {
    const places = ofPart.get(part);
    if (places) places.push(place);
    else ofPart.set(part, [place]);
  }
  // Lines that are no ratio depend on nothing: only ratios can go round.
  const dependsOn = (at: string): readonly string[] => {
    const to = ratios.get(at)?.to ?? '';
    return ratios.has(to) ? [to] : (ofPart.get(to) ?? []);
  };
  const settled = new Set<string>();
  for (const [start, { path: place }] of ratios) {
    const waiting = dependsOn(start).filter((next) => next !== start || ratios.get(start)?.to === start);
    const seen = new Set<string>();
    for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
      const further = next === start ? [start] : dependsOn(next);
      if (further.includes(start))
        return [{ path: place, message: `${start} would be a ratio of itself; give one of the lines another rule` }];
      if (seen.has(next) || settled.has(next)) continue;
      seen.add(next);
      waiting.push(...further.filter((one) => one !== next));
    }
    settled.add(start);
  }
  return [];
}

function unknownFood(id: string, foods: ReadonlyMap<string, Food>, path: string): Fault {
  return { path, message: `unknown food "${id}"${didYouMean(id, [...foods.keys()])}` };
}

/** Ids that stand twice in a list. */
export function* twice(entries: readonly ({ readonly id?: string } | undefined)[], path: string): Generator<Fault> {
  const first = new Map<string, number>();
  for (const [i, entry] of entries.entries()) {
    const id = entry?.id;
    if (id === undefined) continue;
    const before = first.get(id);
    if (before === undefined) first.set(id, i);
    else yield { path: `${path}[${i}].id`, message: `"${id}" is already the id of ${path}[${before}]; give one of them another` };
  }
}
