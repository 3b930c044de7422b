import {
  amountWords,
  changesOf,
  everyLine,
  FoodIndex,
  lineFromText,
  parseLineText,
  partLineFromText,
  placeOf,
  scaledRecipe,
  handyMeasure,
  snappedAmounts,
  stepFactor,
  withChanges,
  withEveryLine,
  withoutLostReferences,
  withUsualScaling,
  worded,
  type Food,
  type Kitchen,
  type Line,
  type LineFit,
  type LinePlace,
  type LineSetting,
  type Part,
  type Recipe,
  type Scaling,
  type ReusablePart,
  type VariantChange,
} from '@portiona/core';
import type { LoadedKitchen } from '../kitchen/useKitchen';

/** What words can mean: foods, and parts of the recipes that this one is built on. */
export type Words = Pick<LoadedKitchen, 'index' | 'foodsById' | 'parts' | 'partIndex'> & { readonly kitchen: Pick<Kitchen, 'settings'> };

/** What a recipe says of all its lines, with the kitchen's measures where it says none. */
export function settingOf(recipe: LineSetting, { settings }: Pick<Kitchen, 'settings'>): LineSetting {
  return { ...recipe, measures: recipe.measures ?? settings.measures };
}

/** What stays with a line when its text changes: judgements made about it, not words of it. */
const KEPT = ['loss', 'retained', 'scaling', 'retention', 'state', 'as', 'fit', 'comment'] as const;

/** The line that new text makes of an old one. A food, or a part of another recipe, once chosen stays while the words for it stay. */
export function retyped(old: Line | undefined, text: string, words: Words, setting: LineSetting): Line {
  const sameWords = old?.text !== undefined && parseLineText(old.text).foodWords === parseLineText(text).foodWords;
  const still = sameWords && isChosen(old, words) ? old : undefined;
  const line = lineMeant(still, text, words, settingOf(setting, words.kitchen));
  if (!old || old.food !== line.food || old.recipe !== line.recipe || old.part !== line.part) return line;
  const kept: { -readonly [key in keyof Line]?: Line[key] } = {};
  for (const key of KEPT) if (old[key] !== undefined) Object.assign(kept, { [key]: old[key] });
  if (old.toTaste !== undefined && line.toTaste !== undefined)
    Object.assign(kept, { toTaste: old.toTaste, ...(old.method ? { method: old.method } : {}) });
  if (old.optional) kept.optional = true;
  if (still?.agreed !== undefined) kept.agreed = still.agreed;
  return { ...kept, ...line, ...(kept.toTaste === undefined ? {} : { toTaste: kept.toTaste }) };
}

/** Whether a line's food or part was chosen by a person, and not by its words: then other words around them leave it. */
function isChosen(line: Line, { index }: Words): boolean {
  if (line.agreed !== undefined || line.recipe !== undefined || line.text === undefined) return line.agreed ?? true;
  return index.read(parseLineText(line.text))?.food.id !== line.food;
}

/** The line that words make: of what the old line is, of a food of the pantry, or else of a part at hand that is called so. */
function lineMeant(old: Line | undefined, text: string, { index, foodsById, parts, partIndex }: Words, setting: LineSetting): Line {
  const chosen = parts.find(({ recipe, part }) => recipe === old?.recipe && part === old.part);
  const still = chosen && partLineFromText(text, chosen);
  if (still) return still;
  const line = lineFromText(text, index, setting, foodsById.get(old?.food ?? ''));
  const called = line.food === undefined ? partIndex.best(parseLineText(text).foodWords) : undefined;
  return (called && partLineFromText(text, called)) ?? line;
}

/**
 * A line that takes a part of another recipe. Words that say how much and could mean it stay; else it takes the name, and
 * without a weight as many of its servings as this recipe has.
 */
export function withPart(text: string, part: ReusablePart, servings: number): Line {
  const { foodWords, amount, unit, note } = parseLineText(text);
  const isMeant = new FoodIndex([part]).best(foodWords) !== undefined;
  const asWritten = isMeant ? partLineFromText(text, part) : undefined;
  if (asWritten) return asWritten;
  const weighed = amount !== undefined && unit !== undefined && partLineFromText(`${amountWords(amount, unit)} it`, part);
  const grams = amountWords(Math.round(part.portion * servings), 'g');
  const called = (part.called.split(/[,(]/)[0] ?? '').trim();
  const name = `${weighed ? amountWords(amount, unit) : grams} ${called.charAt(0).toLowerCase()}${called.slice(1)}`;
  const named = note === undefined || !isMeant ? name : `${name}, ${note}`;
  return partLineFromText(named, part) ?? { text: named };
}

/** The line with another food for the same words. */
export function withFood(line: Line, food: Food, { index, kitchen }: Pick<Words, 'index' | 'kitchen'>, setting: LineSetting): Line {
  return { ...lineFromText(line.text ?? '', index, settingOf(setting, kitchen), food), agreed: true };
}

/** Another line in a line's place: it is known by the same id, so that what referred to it still does. */
export function replaceLine(recipe: Recipe, place: LinePlace, line: Line): Recipe {
  const parts = recipe.parts.map((part, p) =>
    p === place.part ? { ...part, lines: part.lines.map((one, i) => (i === place.line ? withIdOf(one, line) : one)) } : part,
  );
  return { ...recipe, parts };
}

function withIdOf({ id }: Line, line: Line): Line {
  return line.id === id || id === undefined ? line : { ...line, id };
}

/** The recipe with what making it fit may do with a line, by place; nothing said is nothing kept. */
export function withLineFit(recipe: Recipe, at: string, fit: LineFit): Recipe {
  return withEveryLine(recipe, (line, where) =>
    'at' in where && where.at === at ? cleaned({ ...line, fit: Object.keys(fit).length === 0 ? undefined : fit }) : line,
  );
}

export function insertLines(recipe: Recipe, place: LinePlace, lines: readonly Line[]): Recipe {
  const parts = recipe.parts.map((part, p) =>
    p === place.part ? { ...part, lines: [...part.lines.slice(0, place.line), ...lines, ...part.lines.slice(place.line)] } : part,
  );
  return { ...recipe, parts };
}

export function replacePart(recipe: Recipe, at: number, change: Partial<Part>): Recipe {
  return { ...recipe, parts: recipe.parts.map((part, i) => (i === at ? cleaned({ ...part, ...change }) : part)) };
}

/** Adds a part at the end, with an id no other part has. */
export function addPart(recipe: Recipe, name?: string): Recipe {
  const taken = new Set(recipe.parts.map(({ id }) => id));
  let n = recipe.parts.length + 1;
  while (taken.has(`part-${n}`)) n++;
  return { ...recipe, parts: [...recipe.parts, { id: `part-${n}`, name: name ?? `Part ${n}`, lines: [] }] };
}

/** Takes a part out; the last one stays. */
export function removePart(recipe: Recipe, at: number): Recipe {
  return recipe.parts.length > 1 ? withoutLostReferences({ ...recipe, parts: recipe.parts.filter((_, i) => i !== at) }) : recipe;
}

/** Changes heads of a recipe; an undefined key is taken out. */
export function withHead(recipe: Recipe, change: Partial<Recipe>): Recipe {
  return cleaned({ ...recipe, ...change });
}

/** The recipe with its amounts scaled from one number of servings to its own, and their text with them, its variants too. */
export function scaledFrom(recipe: Recipe, from: number, kitchen: Kitchen): Recipe {
  const { recipe: scaled } = scaledRecipe({ ...recipe, servings: from }, recipe.servings, kitchen);
  const { parts, variants } = scaled;
  return withEveryLine({ ...recipe, parts, ...(variants ? { variants } : {}) }, (line, where) => {
    // Amounts written per serving need no new amount; the batch follows by itself.
    const { amount } =
      (recipe.amountsPer === 'serving' &&
        ('at' in where ? recipe.parts[where.p]?.lines[where.l] : lineOfChange(recipe.variants?.[where.variant]?.changes[where.change]))) ||
      line;
    return worded(amount === undefined ? line : { ...line, amount });
  });
}

function lineOfChange(change: VariantChange | undefined): Line | undefined {
  return change && 'line' in change ? change.line : undefined;
}

/** The recipe at another number of servings, each line by its own rule, texts and all; snapped to what people can measure if asked. */
export function scaledTo(recipe: Recipe, servings: number, kitchen: Kitchen, snap: boolean): Recipe {
  const scaled = servings === recipe.servings ? recipe : scaledFrom({ ...recipe, servings }, recipe.servings, kitchen);
  if (!snap) return scaled;
  const handy = servings === recipe.servings ? scaled : withEveryLine(scaled, (line) => handyMeasure(line, scaled, kitchen));
  const { recipe: snapped } = snappedAmounts(handy);
  const before = new Set(everyLine(scaled));
  return withEveryLine(snapped, (line) => (before.has(line) ? line : worded(line)));
}

/** A line with keys changed; an undefined one is taken out. */
export function withKeys(line: Line, change: { readonly [key in keyof Line]?: Line[key] | undefined }): Line {
  return cleaned({ ...line, ...change });
}

/** A line's amount moved by so many of the steps a person weighs or measures in, never below one; its text follows. */
export function nudgedLine(recipe: Recipe, place: LinePlace, steps: number): Recipe {
  const part = recipe.parts[place.part];
  const line = part?.lines[place.line];
  if (!part || !line) return recipe;
  const step = stepFactor(line, recipe);
  if (step === undefined) return recipe;
  // Up or down to the next whole step, so that 187 g becomes 190 g and not 192 g.
  const now = 1 / step;
  const next = Math.max(1, steps > 0 ? Math.floor(now + 1e-6) + steps : Math.ceil(now - 1e-6) + steps);
  const changes = changesOf(recipe, new Map([[placeOf(part, place.line), next * step]]));
  return changes.length === 0 ? recipe : withChanges(recipe, changes);
}

/**
 * A line with a rule for scaling; without one it follows the servings.
 *
 * @param usual it has another rule by default: that it follows all the same has to be said
 */
export function withScaling(line: Line, scaling: Scaling | undefined, usual = false): Line {
  return cleaned({ ...line, scaling: scaling === 'proportional' && !usual ? undefined : scaling });
}

/** The dish with the usual rules in the lines that state none: cans, packs and eggs whole, seasoning damped. */
export function usuallyScaled(recipe: Recipe, kitchen: Kitchen): Recipe {
  return withUsualScaling(recipe, (id) => kitchen.food(id));
}

function cleaned<T extends object>(document: T): T {
  return Object.fromEntries(Object.entries(document).filter(([, held]) => held !== undefined)) as T;
}
