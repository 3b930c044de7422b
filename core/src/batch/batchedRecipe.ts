import { timesAmount } from '../quantity/index.js';
import { variantRecipe, type Discard, type Kitchen, type Line, type Part, type Portion, type Recipe } from '../recipe/index.js';
import { scaledRecipe } from '../scale/index.js';
import { netOf, type Batch, type BatchLine, type BatchPart } from './batch.js';

/** A recipe as a batch cooked it: amounts of the whole batch. */
export interface BatchedRecipe {
  readonly recipe: Recipe;
  /** Places of lines that were left out: they keep their numbers, and count nothing. */
  readonly out: ReadonlySet<string>;
  /** Parts whose cooked weight was measured. */
  readonly measured: ReadonlySet<string>;
  /** Grams as written under the proportional rule, by place, for lines with another rule; as of `scaledRecipe`. */
  readonly proportional: ReadonlyMap<string, number>;
}

/**
 * The recipe that a batch cooked: its variant, at its size by the lines' rules, then what was weighed, swapped, left out, added,
 * measured and thrown away (kitchen file, Batch).
 *
 * @param recipe as it was when it was cooked
 * @throws CircularRatioError
 */
export function batchedRecipe(batch: Batch, recipe: Recipe, kitchen: Kitchen): BatchedRecipe {
  const variant = batch.variant === undefined ? undefined : recipe.variants?.find(({ name }) => name === batch.variant);
  const { variants: _, ...made } = variant ? variantRecipe(recipe, variant) : recipe;
  const { recipe: sized, proportional } = scaledRecipe(made, batch.servings ?? made.servings, kitchen);
  const planned = ofWholeBatch(sized);
  const out = new Set<string>();
  const parts = planned.parts.map((part): Part => {
    const lines = part.lines.map((line, i) => {
      const at = `${part.id}/${i + 1}`;
      const done = batch.lines?.find((one) => 'at' in one && one.at === at);
      if (!done) return line;
      if (!('out' in done)) return doneLine(line, done);
      out.add(at);
      return nothingOf(line);
    });
    const more = (batch.lines ?? []).flatMap((one) => ('part' in one && one.part === part.id ? [doneLine({}, one)] : []));
    const came = batch.parts?.find((one) => one.part === part.id);
    return withMade({ ...part, lines: [...lines, ...more], ...discardsOf(batch, part) }, came);
  });
  const measured = new Set((batch.parts ?? []).flatMap((part) => (netOf(part) === undefined ? [] : [part.part])));
  return { recipe: { ...planned, parts }, out, measured, proportional };
}

/** Amounts written per serving, for all of them. Assumed, cooked and portioned weights are of the batch already. */
function ofWholeBatch(recipe: Recipe): Recipe {
  if (recipe.amountsPer !== 'serving') return recipe;
  const times = recipe.servings;
  const whole = <Thing extends Line | Discard>(thing: Thing): Thing =>
    thing.amount === undefined ? thing : { ...thing, amount: timesAmount(thing.amount, times) };
  return {
    ...recipe,
    amountsPer: 'batch',
    parts: recipe.parts.map((part) => ({
      ...part,
      lines: part.lines.map(whole),
      ...(part.discards ? { discards: part.discards.map(whole) } : {}),
    })),
  };
}

/** A line with what was weighed of it, or of what stands in its place: edible grams in the line's state, in the food's where it is another. */
function doneLine(line: Line, done: Exclude<BatchLine, { readonly out: true }>): Line {
  const { toTaste: _, also: __, ...kept } = line;
  const weighed = { amount: done.grams, unit: 'g', as: done.as ?? 'EP', method: 'scale' as const };
  if (!('food' in done)) return { ...kept, ...weighed };
  const { recipe: ___, part: ____, state: _____, cooking: ______, loss: _______, text: ________, agreed: _________, ...instead } = kept;
  return { ...instead, food: done.food, ...weighed };
}

/** A line that was left out: it is there for its number alone. */
function nothingOf({ id, food, recipe, part, note, text }: Line): Line {
  return {
    ...(id === undefined ? {} : { id }),
    ...(food === undefined ? {} : { food }),
    ...(recipe === undefined ? {} : { recipe }),
    ...(part === undefined ? {} : { part }),
    ...(note === undefined ? {} : { note }),
    ...(text === undefined ? {} : { text }),
    amount: 0,
    unit: 'g',
    optional: true,
  };
}

/** A part's own discards in place of the recipe's, where the batch names any of it. */
function discardsOf({ discards = [] }: Batch, part: Part): { readonly discards?: readonly Discard[] } {
  const own = discards.filter((one) => one.part === part.id);
  if (own.length === 0) return {};
  return { discards: own.filter(({ grams }) => grams > 0).map(({ food, grams }) => ({ food, amount: grams, unit: 'g' })) };
}

function withMade(part: Part, came: BatchPart | undefined): Part {
  if (!came) return part;
  const net = netOf(came);
  const { portion } = part;
  const made = portion && portionMade(portion, came);
  if (net === undefined) return made ? { ...part, portion: made } : part;
  const { measuredFor: _, ...weighed } = part;
  return { ...weighed, cookedWeight: net, ...(made ? { portion: made } : {}) };
}

function portionMade(portion: Portion, { pieces, volume }: BatchPart): Portion {
  if (portion.by === 'pieces' && pieces !== undefined) return { ...portion, made: pieces };
  if (portion.by === 'volume' && volume !== undefined) return { ...portion, made: volume };
  return portion;
}
