import {
  lineWeights,
  placedLines,
  referenceTo,
  variantRecipe,
  type Kitchen,
  type Line,
  type Recipe,
  type Variant,
  type VariantChange,
} from '../recipe/index.js';
import { lineText } from '../text/index.js';
import { netOf, type Batch } from './batch.js';
import { batchedRecipe } from './batchedRecipe.js';

/** What was done otherwise at a batch, as changes of the recipe as it stands now. */
export interface BatchChanges {
  readonly changes: readonly VariantChange[];
  /** What cannot be said of the recipe any more, because its line is gone: names, or texts, of what was done. */
  readonly lost: readonly string[];
}

/**
 * What was done otherwise at a batch, at the recipe's own size: lines weighed in the proportion in which they were, others in their
 * place, left out, one more, and what parts weighed. Lines are found by what they are known by, wherever they stand now.
 *
 * @param recipe as it stands
 * @throws CircularRatioError
 */
export function batchChanges(batch: Batch, recipe: Recipe, kitchen: Kitchen): BatchChanges {
  const then = batch.then ?? recipe;
  const { lines: _, parts: came = [], ...plan } = batch;
  const planned = batchedRecipe({ ...plan, ...(batch.servings ? { servings: batch.servings } : {}) }, then, kitchen).recipe;
  const size = recipe.servings / planned.servings;
  const each = recipe.amountsPer === 'serving' ? size / recipe.servings : size;
  const variant = recipe.variants?.find(({ name }) => name === batch.variant);
  const base = variant ? variantRecipe(recipe, variant) : recipe;
  const known = new Map(placedLines(planned).map((one) => [one.at, one]));
  const own = new Map(placedLines(base).map((one) => [one.line.id === undefined ? one.at : `${one.part.id}/${one.line.id}`, one]));
  const system = recipe.measures ?? kitchen.settings.measures;
  const changes: VariantChange[] = [];
  const lost: string[] = [];
  const grams = (amount: number) => Number(amount.toPrecision(6));
  for (const done of batch.lines ?? []) {
    if ('part' in done) {
      const food = kitchen.food(done.food);
      if (!recipe.parts.some(({ id }) => id === done.part)) lost.push(food?.name ?? done.food);
      else
        changes.push({
          part: done.part,
          line: worded({ food: done.food, amount: grams(done.grams * each), unit: 'g', as: done.as ?? 'EP', method: 'scale' }, kitchen),
        });
      continue;
    }
    const was = known.get(done.at);
    const now = was && (own.get(`${was.part.id}/${was.line.id ?? ''}`) ?? (was.line.id === undefined ? own.get(done.at) : undefined));
    if (!was || !now) {
      lost.push(was?.line.text ?? done.at);
      continue;
    }
    const at = referenceTo(now.part, now.line, now.part.lines.indexOf(now.line));
    if ('out' in done) changes.push({ at, out: true });
    else {
      const { toTaste: _t, also: _a, text: _x, state, cooking, loss, agreed: _g, ...kept } = now.line;
      const own =
        'food' in done ? {} : { ...(state ? { state } : {}), ...(cooking ? { cooking } : {}), ...(loss === undefined ? {} : { loss }) };
      const { recipe: _r, part: _p, ...bare } = kept;
      const line = {
        ...('food' in done ? { ...bare, food: done.food } : { ...kept, ...own }),
        amount: grams(done.grams * scaleOf(was.line, now.line, each)),
        ...{ unit: 'g', as: done.as ?? 'EP', method: 'scale' as const },
      };
      changes.push({ at, line: worded(line, kitchen) });
    }
  }
  for (const part of came) {
    const net = netOf(part);
    if (net !== undefined && recipe.parts.some(({ id }) => id === part.part))
      changes.push({ part: part.part, cookedWeight: grams(net * size) });
  }
  return { changes: variant ? overVariant(variant, changes) : changes, lost };

  /** How much of it the recipe has for what the batch was to have: lines do not all grow alike. */
  function scaleOf(was: Line, now: Line, plain: number): number {
    const weight = (line: Line) => {
      const food = line.food === undefined ? undefined : kitchen.food(line.food);
      return food && lineWeights(line, food, system, kitchen.packsOf(food.id))?.grams;
    };
    const [planned, here] = [weight(was), weight(now)];
    return planned === undefined || here === undefined || planned === 0 || was.food !== now.food ? plain : here / planned;
  }
}

/** A line in the words of what it says now. */
function worded(line: Line, kitchen: Kitchen): Line {
  const food = line.food === undefined ? undefined : kitchen.food(line.food);
  return food ? { ...line, text: lineText(line, food) } : line;
}

/** A variant's changes with further ones over them. */
function overVariant({ changes: of }: Variant, over: readonly VariantChange[]): VariantChange[] {
  return over.reduce<VariantChange[]>(
    (sofar, change) => {
      const same = sofar.findIndex((one) =>
        'cookedWeight' in change
          ? 'cookedWeight' in one && one.part === change.part
          : 'at' in change &&
            ('at' in one ? one.at === change.at : 'line' in one && referenceTo({ id: one.part }, one.line, 0) === change.at),
      );
      if (same < 0) return [...sofar, change];
      const old = sofar[same];
      // A line that only the variant has: weighed otherwise it is that line still, left out it is not there.
      const next =
        old && 'part' in old && 'line' in old && 'at' in change
          ? 'line' in change
            ? [{ part: old.part, line: change.line }]
            : []
          : [change];
      return [...sofar.slice(0, same), ...next, ...sofar.slice(same + 1)];
    },
    [...of],
  );
}
