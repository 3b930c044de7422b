import { mapped } from './mapped.js';
import type { Line, Part, Recipe, VariantChange } from './recipe.js';
import { mentionText, piecesOf, stepFrom, stepOf, type Step } from './step.js';

/**
 * The one walk over a recipe: every line, food and reference it holds, in its parts and in its variants. What is done to a dish
 * is done through here, so that it is done to its variants, mentions and references too.
 */

/** A line of the recipe itself, and where it stands. */
export interface PlacedLine {
  readonly part: Part;
  /** Index of the part, and of the line in it. */
  readonly p: number;
  readonly l: number;
  readonly line: Line;
  /** Part id and number from 1, as it is read. */
  readonly at: string;
}

/** Where a line stands: part id and number from 1. */
export function placeOf(part: Pick<Part, 'id'>, index: number): string {
  return `${part.id}/${index + 1}`;
}

/** What refers to a line: its part and its id, which moves with it; the number where it has no id. */
export function referenceTo(part: Pick<Part, 'id'>, line: Pick<Line, 'id'>, index: number): string {
  return line.id === undefined ? placeOf(part, index) : `${part.id}/${line.id}`;
}

/** The lines of the recipe itself, in order. */
export function placedLines(recipe: Pick<Recipe, 'parts'>): PlacedLine[] {
  return recipe.parts.flatMap((part, p) => part.lines.map((line, l) => ({ part, p, l, line, at: placeOf(part, l) })));
}

/** Every line there is: the recipe's own, and those that its variants put in or in place. */
export function everyLine({ parts, variants = [] }: Pick<Recipe, 'parts' | 'variants'>): Line[] {
  return [
    ...parts.flatMap(({ lines }) => lines),
    ...variants.flatMap(({ changes }) => changes.flatMap((change) => ('line' in change ? change.line : []))),
  ];
}

/** Number of a variant, and of the change in it. */
export interface ChangePlace {
  readonly variant: number;
  readonly change: number;
}

/**
 * The recipe with every line as `map` makes it, those of variants too; what stays the same is the same object.
 *
 * @param map given the line, and where it stands: in a part, or in a variant's change
 */
export function withEveryLine(recipe: Recipe, map: (line: Line, where: PlacedLine | ChangePlace) => Line): Recipe {
  const parts = mapped(recipe.parts, (part, p) => {
    const lines = mapped(part.lines, (line, l) => map(line, { part, p, l, line, at: placeOf(part, l) }));
    return lines === part.lines ? part : { ...part, lines };
  });
  const variants = mapped(recipe.variants ?? [], (variant, v) => {
    const changes = mapped(variant.changes, (change, c) => {
      if (!('line' in change)) return change;
      const line = map(change.line, { variant: v, change: c });
      return line === change.line ? change : { ...change, line };
    });
    return changes === variant.changes ? variant : { ...variant, changes };
  });
  if (parts === recipe.parts && (recipe.variants === undefined || variants === recipe.variants)) return recipe;
  return { ...recipe, parts, ...(recipe.variants ? { variants } : {}) };
}

/** The recipe with every food as `map` makes it: in lines, in what is thrown away, in variants. */
export function withEveryFood(recipe: Recipe, map: (food: string) => string): Recipe {
  const moved = <Named extends { readonly food?: string }>(one: Named): Named => {
    if (one.food === undefined) return one;
    const food = map(one.food);
    return food === one.food ? one : { ...one, food };
  };
  const next = withEveryLine(recipe, moved);
  const parts = mapped(next.parts, (part) => {
    const discards = mapped(part.discards ?? [], moved);
    return part.discards === undefined || discards === part.discards ? part : { ...part, discards };
  });
  return parts === next.parts ? next : { ...next, parts };
}

/** Ids of the foods that a recipe's lines, discards and variants name, each once. */
export function foodsOf(recipe: Recipe): string[] {
  const discarded = recipe.parts.flatMap(({ discards = [] }) => discards.map(({ food }) => food));
  return [...new Set([...everyLine(recipe).flatMap(({ food }) => food ?? []), ...discarded])];
}

/** Ids of the recipes whose parts a recipe takes, each once; not of those these are built on. */
export function recipesTaken(recipe: Recipe): string[] {
  return [...new Set(everyLine(recipe).flatMap((line) => line.recipe ?? []))];
}

/** Ids of the parts of another recipe that a recipe's lines and variants take, each once. */
export function partsTaken(recipe: Recipe, of: string): string[] {
  return [...new Set(everyLine(recipe).flatMap((line) => (line.recipe === of ? (line.part ?? []) : [])))];
}

/** What refers to a line or a part. */
export type ReferenceKind = 'ratio' | 'in step' | 'change' | 'mention' | 'step part';

/**
 * The recipe with every reference as `map` makes it: of ratios, of lines in step when a dish is made to fit, of variants'
 * changes, of mentions in steps, and of the part a step makes. Where it makes none, what referred goes: a ratio and a bound fall
 * away, a change too, and of a mention the words stay.
 */
export function withEveryReference(recipe: Recipe, map: (to: string, kind: ReferenceKind, words?: string) => string | undefined): Recipe {
  const referring = (line: Line) => referringBound(referringRatio(line, map), map);
  const next = withEveryLine(recipe, referring);
  const variants = mapped(next.variants ?? [], (variant) => {
    const changes = keptOnly(variant.changes, (change) => referringChange(change, map));
    return changes === variant.changes ? variant : { ...variant, changes };
  });
  const steps = mapped(next.steps ?? [], (step) => referringStep(step, map));
  const sameVariants = next.variants === undefined || variants === next.variants;
  const sameSteps = next.steps === undefined || steps === next.steps;
  if (sameVariants && sameSteps) return next;
  return { ...next, ...(sameVariants ? {} : { variants }), ...(sameSteps ? {} : { steps }) };
}

type ReferenceMap = (to: string, kind: ReferenceKind, words?: string) => string | undefined;

function referringRatio(line: Line, map: ReferenceMap): Line {
  const { scaling, ...rest } = line;
  if (typeof scaling !== 'object' || !('ratioTo' in scaling)) return line;
  const ratioTo = map(scaling.ratioTo, 'ratio');
  if (ratioTo === scaling.ratioTo) return line;
  return ratioTo === undefined ? rest : { ...line, scaling: { ...scaling, ratioTo } };
}

function referringBound(line: Line, map: ReferenceMap): Line {
  const { fit, ...rest } = line;
  const bound = fit?.bound;
  if (fit === undefined || typeof bound !== 'object' || !('withLine' in bound)) return line;
  const withLine = map(bound.withLine, 'in step');
  if (withLine === bound.withLine) return line;
  if (withLine !== undefined) return { ...line, fit: { ...fit, bound: { withLine } } };
  return fit.weight === undefined ? rest : { ...rest, fit: { weight: fit.weight } };
}

function referringChange(change: VariantChange, map: ReferenceMap): VariantChange | undefined {
  const to = 'at' in change ? change.at : change.part;
  const next = map(to, 'change');
  if (next === to) return change;
  if (next === undefined) return undefined;
  return 'at' in change ? { ...change, at: next } : { ...change, part: next };
}

function referringStep(step: Step, map: ReferenceMap): Step {
  const { text, part, or, ...rest } = stepOf(step);
  const makes = part === undefined ? undefined : map(part, 'step part');
  const said = referringText(text, map);
  const ways =
    or && mapped(or, (way) => (referringText(way.text, map) === way.text ? way : { ...way, text: referringText(way.text, map) }));
  if (makes === part && said === text && ways === or) return step;
  return stepFrom({ ...rest, text: said, ...(makes === undefined ? {} : { part: makes }), ...(ways ? { or: ways } : {}) });
}

/** A step's text with its mentions as `map` makes them; the very text where none is another. */
function referringText(text: string, map: ReferenceMap): string {
  if (!text.includes('{')) return text;
  let same = true;
  const said = piecesOf(text).map((piece) => {
    if (typeof piece === 'string') return piece;
    const at = map(piece.at, 'mention', piece.words);
    if (at === piece.at) return mentionText(piece);
    same = false;
    return at === undefined ? piece.words : mentionText({ ...piece, at });
  });
  return same ? text : said.join('');
}

/** A list mapped, without what came to nothing. */
function keptOnly<One>(list: readonly One[], map: (one: One) => One | undefined): readonly One[] {
  const next = list.flatMap((one) => map(one) ?? []);
  return next.length === list.length && next.every((one, i) => one === list[i]) ? list : next;
}
