import { netOf, type Batch, type BatchLine } from '../batch/index.js';
import type { Food } from '../food/index.js';
import { variantRecipe, type Recipe, type Settings } from '../recipe/index.js';
import { didYouMean, type Fault } from './fault.js';
import { packFaults, recipeFaults } from './referenceFaults.js';

/** What a batch may refer to. */
export interface BatchGround {
  readonly foods: ReadonlyMap<string, Food>;
  readonly recipes: ReadonlyMap<string, Recipe>;
  readonly settings: Pick<Settings, 'measures'>;
  /** Recipes and foods that are there and cannot be read: nothing is said against what names them. */
  readonly unread: ReadonlySet<string>;
}

/**
 * Faults of a batch against what it was cooked from: a recipe, a variant, lines, parts and foods that are not there, the same told
 * twice, weights that cannot be.
 */
export function* batchFaults(batch: Batch, ground: BatchGround, path: string): Generator<Fault> {
  const { foods, recipes, settings, unread } = ground;
  if (unread.has(batch.recipe)) return;
  if (!recipes.has(batch.recipe))
    yield { path: `${path}.recipe`, message: `unknown recipe "${batch.recipe}"${didYouMean(batch.recipe, [...recipes.keys()])}` };
  const then = batch.then ? recipeFaults(batch.then, foods, recipes, settings, `${path}.then`) : [];
  yield* then;
  const recipe = batch.then ?? recipes.get(batch.recipe);
  if (!recipe || then.length > 0) return;
  const names = (recipe.variants ?? []).map(({ name }) => name);
  const variant = (recipe.variants ?? []).find(({ name }) => name === batch.variant);
  if (batch.variant !== undefined && !variant) {
    yield { path: `${path}.variant`, message: `unknown variant "${batch.variant}"${didYouMean(batch.variant, names)}` };
    return;
  }
  const cooked = variant ? variantRecipe(recipe, variant) : recipe;
  const parts = new Set(cooked.parts.map(({ id }) => id));
  const known = {
    ...ground,
    parts,
    lines: new Map(cooked.parts.flatMap(({ id, lines }) => lines.map((_, i) => [`${id}/${i + 1}`, true]))),
  };
  yield* lineFaults(batch.lines ?? [], known, `${path}.lines`);
  yield* partFaults(batch, parts, path);
  for (const [i, { part, food }] of (batch.discards ?? []).entries()) {
    yield* unknownPart(part, parts, `${path}.discards[${i}].part`);
    yield* unknownFood(food, ground, `${path}.discards[${i}].food`);
  }
  for (const [i, pack] of (batch.paid ?? []).entries())
    if (!unread.has(pack.food)) yield* packFaults({ ...pack, currency: '', seen: batch.date }, foods, `${path}.paid[${i}]`);
  for (const [i, { grams, eye = [] }] of (batch.boxes ?? []).entries()) {
    for (const part of Object.keys(grams)) yield* unknownPart(part, parts, `${path}.boxes[${i}].grams.${part}`);
    for (const [e, part] of eye.entries()) yield* unknownPart(part, parts, `${path}.boxes[${i}].eye[${e}]`);
  }
  for (const part of Object.keys(batch.leftTo ?? {})) yield* unknownPart(part, parts, `${path}.leftTo.${part}`);
}

interface Known extends BatchGround {
  readonly parts: ReadonlySet<string>;
  readonly lines: ReadonlyMap<string, boolean>;
}

function* lineFaults(lines: readonly BatchLine[], known: Known, path: string): Generator<Fault> {
  const told = new Set<string>();
  for (const [i, line] of lines.entries()) {
    if ('at' in line) {
      if (!known.lines.has(line.at))
        yield { path: `${path}[${i}].at`, message: `unknown line "${line.at}"${didYouMean(line.at, [...known.lines.keys()])}` };
      else if (told.has(line.at)) yield { path: `${path}[${i}].at`, message: `"${line.at}" is told twice; keep one of them` };
      told.add(line.at);
    } else yield* unknownPart(line.part, known.parts, `${path}[${i}].part`);
    if ('food' in line) yield* unknownFood(line.food, known, `${path}[${i}].food`);
  }
}

function* partFaults({ parts: came = [] }: Batch, parts: ReadonlySet<string>, path: string): Generator<Fault> {
  const told = new Set<string>();
  for (const [i, part] of came.entries()) {
    const at = `${path}.parts[${i}]`;
    yield* unknownPart(part.part, parts, `${at}.part`);
    if (told.has(part.part)) yield { path: `${at}.part`, message: `"${part.part}" is told twice; keep one of them` };
    told.add(part.part);
    const { net, gross, tare, pieces, volume } = part;
    if (net !== undefined && (gross !== undefined || tare !== undefined))
      yield { path: at, message: 'must have net, or gross and tare, not both' };
    else if ((gross === undefined) !== (tare === undefined))
      yield { path: `${at}.${gross === undefined ? 'gross' : 'tare'}`, message: 'is missing; gross and tare go together' };
    else if (netOf(part) === undefined && pieces === undefined && volume === undefined)
      yield { path: at, message: 'says nothing of what came out; write net, or gross and tare, or pieces, or volume' };
    else if ((netOf(part) ?? 1) <= 0) yield { path: `${at}.tare`, message: `must be below gross, ${gross ?? 0} g` };
  }
}

function* unknownPart(part: string, parts: ReadonlySet<string>, path: string): Generator<Fault> {
  if (!parts.has(part)) yield { path, message: `unknown part "${part}"${didYouMean(part, [...parts])}` };
}

function* unknownFood(food: string, { foods, unread }: BatchGround, path: string): Generator<Fault> {
  if (!foods.has(food) && !unread.has(food)) yield { path, message: `unknown food "${food}"${didYouMean(food, [...foods.keys()])}` };
}
