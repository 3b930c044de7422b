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
import { placeOf, type KitchenContent, type Line, type Part, type Recipe, type Settings } from '../recipe/index.js';
import type { Pack } from '../price/index.js';
import { didYouMean, type Fault } from './fault.js';
import { KitchenFile, type KitchenSettings } from './kitchenFile.js';
import { readEntry, type Read } from './readEntry.js';

/**
 * Reads a kitchen file: its shape by the classes, then what refers to what.
 *
 * @param found parsed JSON
 * @param today ISO date, where the file states none
 */
export function readKitchen(found: unknown, today: string): Read<KitchenContent> {
  const read = readEntry(KitchenFile, found);
  if (!read.ok) return read;
  const { settings, foods = [], packs = [], recipes = [] } = read.entry;
  const content: KitchenContent = { settings: fullSettings(settings, today), foods, packs, recipes };
  const faults = referenceFaults(content);
  return faults.length === 0 ? { ok: true, entry: content } : { ok: false, faults };
}

/** Settings with what is left out filled in (kitchen file, top level). */
export function fullSettings(settings: KitchenSettings | undefined, today: string): Settings {
  return { currency: 'EUR', measures: 'metric', rules: 'plain', staples: 'counted', date: today, ...settings };
}

/** Faults between entries: ids used twice, foods and parts nobody holds, units nobody knows, parts that hold themselves. */
export function referenceFaults({ settings, foods, packs, recipes }: KitchenContent): Fault[] {
  const byId = new Map(foods.map((food) => [food.id, food]));
  return [
    ...twice(foods, 'foods'),
    ...foods.flatMap((food, i) => foodFaults(food, `foods[${i}]`)),
    ...packs.flatMap((pack, i) => packFaults(pack, byId, `packs[${i}]`)),
    ...twice(recipes, 'recipes'),
    ...recipes.flatMap((recipe, i) => recipeFaults(recipe, byId, recipes, settings, `recipes[${i}]`)),
    ...circleFaults(recipes),
  ];
}

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
  const known = ['g', 'kg', 'ml', 'l', 'oz', 'lb', 'piece', ...Object.keys(food.measures ?? {})];
  return known.includes(pack.unit) ? [] : [{ path: `${path}.unit`, message: `unknown unit "${pack.unit}"${didYouMean(pack.unit, known)}` }];
}

/** Faults of a recipe against the foods and recipes it draws on. */
export function recipeFaults(
  recipe: Recipe,
  foods: ReadonlyMap<string, Food>,
  recipes: readonly Recipe[],
  settings: Pick<Settings, 'measures'>,
  path: string,
): Fault[] {
  const system = recipe.measures ?? settings.measures;
  return [
    ...twice(recipe.parts, `${path}.parts`),
    ...ratioCircleFaults(recipe, path),
    ...recipe.parts.flatMap((part, p) => {
      const partPath = `${path}.parts[${p}]`;
      return [
        ...part.lines.flatMap((line, l) => lineFaults(line, foods, recipes, recipe, system, `${partPath}.lines[${l}]`)),
        ...(part.discards ?? []).flatMap(({ food, unit }, d) => foodAndUnitFaults(food, unit, foods, system, `${partPath}.discards[${d}]`)),
      ];
    }),
  ];
}

function lineFaults(
  line: Line,
  foods: ReadonlyMap<string, Food>,
  recipes: readonly Recipe[],
  recipe: Recipe,
  system: MeasuringSystem,
  path: string,
): Fault[] {
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
  if (line.also && food) faults.push(...unitFaults(line.also.unit, food, system, `${path}.also.unit`));
  if (typeof line.scaling === 'object' && 'ratioTo' in line.scaling)
    faults.push(...ratioFaults(line.scaling.ratioTo, recipe, `${path}.scaling.ratioTo`));
  return faults;
}

function partLineFaults(line: Line, recipes: readonly Recipe[], path: string): Fault[] {
  const other = recipes.find(({ id }) => id === line.recipe);
  if (!other)
    return [
      {
        path: `${path}.recipe`,
        message: `unknown recipe "${line.recipe}"${didYouMean(
          line.recipe ?? '',
          recipes.map(({ id }) => id),
        )}`,
      },
    ];
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
  return unit === undefined ? [] : unitFaults(unit, food, system, `${path}.unit`);
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

function ratioFaults(ratioTo: string, recipe: Recipe, path: string): Fault[] {
  const places = recipe.parts.flatMap((part) => [part.id, ...part.lines.map((_, i) => placeOf(part, i))]);
  return places.includes(ratioTo) ? [] : [{ path, message: `unknown line or part "${ratioTo}"${didYouMean(ratioTo, places)}` }];
}

/** Ratios that go round in a circle: a line's weight would depend on itself. */
function ratioCircleFaults(recipe: Recipe, path: string): Fault[] {
  const lines = recipe.parts.flatMap((part, p) =>
    part.lines.map((line, l) => ({
      at: placeOf(part, l),
      part: part.id,
      scaling: line.scaling,
      path: `${path}.parts[${p}].lines[${l}].scaling.ratioTo`,
    })),
  );
  const dependsOn = (at: string): string[] => {
    const scaling = lines.find((line) => line.at === at)?.scaling;
    if (typeof scaling !== 'object' || !('ratioTo' in scaling)) return [];
    return lines.filter((line) => line.at !== at && (line.at === scaling.ratioTo || line.part === scaling.ratioTo)).map((line) => line.at);
  };
  const reaches = (from: string, target: string, seen: Set<string>): boolean =>
    dependsOn(from).some((next) => next === target || (!seen.has(next) && reaches(next, target, seen.add(next))));
  const round = lines.find(({ at }) => reaches(at, at, new Set()));
  return round ? [{ path: round.path, message: `${round.at} would be a ratio of itself; give one of the lines another rule` }] : [];
}

function unknownFood(id: string, foods: ReadonlyMap<string, Food>, path: string): Fault {
  return { path, message: `unknown food "${id}"${didYouMean(id, [...foods.keys()])}` };
}

function twice(entries: readonly { readonly id: string }[], path: string): Fault[] {
  const first = new Map<string, number>();
  return entries.flatMap(({ id }, i) => {
    const before = first.get(id);
    if (before === undefined) first.set(id, i);
    return before === undefined
      ? []
      : [{ path: `${path}[${i}].id`, message: `"${id}" is already the id of ${path}[${before}]; give one of them another` }];
  });
}

/**
 * Parts that hold themselves, directly or through others: each circle told once, at the line that closes it.
 *
 * @param paths of the recipes, in their order; `recipes[i]` where left out
 */
export function circleFaults(recipes: readonly Recipe[], paths: readonly string[] = []): Fault[] {
  const parts = new Map<string, { readonly part: Part; readonly path: string }>();
  recipes.forEach((recipe, r) =>
    recipe.parts.forEach((part, p) => parts.set(`${recipe.id}/${part.id}`, { part, path: `${paths[r] ?? `recipes[${r}]`}.parts[${p}]` })),
  );
  const faults: Fault[] = [];
  const done = new Set<string>();
  const visit = (key: string, within: readonly string[]): void => {
    const entry = parts.get(key);
    if (!entry || done.has(key)) return;
    entry.part.lines.forEach((line, l) => {
      if (line.recipe === undefined) return;
      const next = `${line.recipe}/${line.part}`;
      const chain = [...within, key];
      if (chain.includes(next))
        faults.push({
          path: `${entry.path}.lines[${l}]`,
          message: `part "${next}" would hold itself: ${[...chain.slice(chain.indexOf(next)), next].join(' -> ')}; take this line out`,
        });
      else visit(next, chain);
    });
    done.add(key);
  };
  for (const key of parts.keys()) visit(key, []);
  return faults;
}
