import { batchFigures, type Batch, type BatchFigures, type BoxFigures } from '../batch/index.js';
import { compensatedSum } from '../quantity/index.js';
import {
  BRIEF_FIGURES,
  computed,
  FIGURE_KEYS,
  keptFigure,
  recipeFigures,
  servedOf,
  shownFigure,
  variantRecipe,
  weighsSomething,
  type BriefFigure,
  type Kitchen,
  type NutrientFigures,
  type PartFigures,
  type Recipe,
  type RecipeFigures,
} from '../recipe/index.js';
import type { Figure } from '../figure/index.js';
import { USUAL_START, type Session } from '../plan/index.js';
import { boxKinds, foodsOfPart, guidelineOf, keepingLimits, keepingOf, type KeepingLimits } from '../portion/index.js';
import { boxKeeping } from '../portion/index.js';
import { scaledRecipe } from '../scale/index.js';
import { standardUncertainties, UNCERTAINTY_OF_EYE } from '../uncertainty/index.js';
import type { BoxContent, BoxFigure, BoxPool } from './boxPool.js';
import { poolKey, type BatchBoxes } from './week.js';

/** What begins from then on is not ready for a main meal of the same day. */
const NOON = '12:00';

/** What no boxes could be had of, and why: told, since it is left out. */
export interface LeftOutDish {
  readonly kind: 'no boxes' | 'not computed' | 'cooked';
  readonly title: string;
  /** ISO day. */
  readonly date: string;
  readonly recipe: string;
  readonly batch?: string;
  readonly session?: string;
  readonly dish?: number;
  readonly because?: string;
}

/** Boxes there are and will be. */
export interface BoxesAtHand {
  readonly pools: readonly BoxPool[];
  readonly leftOut: readonly LeftOutDish[];
}

/**
 * Boxes of batches and of sessions to come, alike ones together, that can be eaten on some day from one on: with what each holds, and
 * until when it keeps. A session's dish that is logged as a batch of that day or the next stands as that batch, once it is in boxes.
 *
 * @param from ISO day
 * @throws RangeError for a batch whose recipe is not there
 */
export function boxesAtHand(batches: readonly Batch[], sessions: readonly Session[], kitchen: Kitchen, from: string): BoxesAtHand {
  const pools: BoxPool[] = [];
  const leftOut: LeftOutDish[] = [];
  for (const batch of batches) {
    if (batch.cooking) continue;
    const title = (batch.then ?? kitchen.recipe(batch.recipe))?.title ?? batch.recipe;
    const said = { title, date: batch.date, recipe: batch.recipe, batch: batch.id };
    if ((batch.boxes ?? []).length === 0) {
      if (mayBeThere(batch, kitchen, from)) leftOut.push({ kind: 'no boxes', ...said });
      continue;
    }
    const made = computed(() => batchPools(batch, batches, kitchen, title));
    if (made.ok) pools.push(...made.made);
    else leftOut.push({ kind: 'not computed', ...said, because: made.because });
  }
  for (const session of sessions)
    for (const [d, { recipe: id, boxes }] of session.dishes.entries()) {
      const recipe = kitchen.recipe(id);
      const said = { title: recipe?.title ?? id, date: session.date, recipe: id, session: session.id, dish: d + 1 };
      const cookedAs = batches.find((one) => one.recipe === id && isCookedFor(one, session));
      if (!recipe) leftOut.push({ kind: 'not computed', ...said, because: 'there is no such recipe any more' });
      else if (cookedAs) leftOut.push({ kind: 'cooked', ...said, batch: cookedAs.id });
      else {
        const made = computed(() => sessionPool(session, d, recipe, boxes ?? recipe.servings, kitchen));
        if (made.ok) pools.push(made.made);
        else leftOut.push({ kind: 'not computed', ...said, because: made.because });
      }
    }
  const there = pools.filter((pool) => untilOf(pool) >= from);
  return { pools: there, leftOut };
}

/** The last day a pool is good for, whatever place. */
function untilOf({ cooked, fridgeUntil = cooked, freezerUntil = cooked }: BoxPool): string {
  return fridgeUntil > freezerUntil ? fridgeUntil : freezerUntil;
}

/** Whether a batch is what a session cooked of a dish: of its day, or of the day after where it went on past midnight. */
function isCookedFor({ date, boxes = [], cooking }: Batch, session: Session): boolean {
  const late = Date.parse(date) - Date.parse(session.date);
  return boxes.length > 0 && !cooking && late >= 0 && late <= 86_400_000;
}

/** Whether a batch of which nobody said what became of it can still be in the house: from the fridge, or from the freezer. */
function mayBeThere(batch: Batch, kitchen: Kitchen, from: string): boolean {
  const recipe = batch.then ?? kitchen.recipe(batch.recipe);
  if (!recipe) return false;
  const limits = keepingLimits([], recipe.storage, guidelineOf(kitchen.settings));
  const keep = limits.freezes ? 'freezer' : 'fridge';
  return boxKeeping({ name: '', grams: {}, keep }, batch.date, limits).useBy >= from;
}

function batchPools(batch: Batch, batches: readonly Batch[], kitchen: Kitchen, title: string): BoxPool[] {
  const made = batchFigures(batch, batches, kitchen);
  const boxes = (batch.boxes ?? []).reduce((sum, { count = 1 }) => sum + count, 0);
  const till = made.paid?.toNumber() ?? made.figures.batch.till.cost?.toNumber();
  const counted = new Map<string, number>();
  return boxKinds(batch.boxes ?? []).flatMap((kind) =>
    kind.boxes.map((box): BoxPool => {
      const figures = made.boxes.find((one) => one.box === box) as BoxFigures;
      const { keeping, limits } = keepingOf(figures, made, batch.date, kitchen.settings);
      const keep = box.keep ?? 'fridge';
      const alike = JSON.stringify([kind.name, keep]);
      const nth = (counted.get(alike) ?? 0) + 1;
      counted.set(alike, nth);
      const of: BatchBoxes = { batch: batch.id, name: box.name, keep, ...(nth === 1 ? {} : { nth }) };
      return {
        ...{ key: poolKey(of), box: of, recipe: batch.recipe, title, name: box.name, count: box.count ?? 1 },
        ...{ cooked: batch.date, planned: false, keep, because: keepingWords(limits, keeping.beyond !== undefined) },
        ...(keep === 'fridge' ? { fridgeUntil: keeping.useBy } : {}),
        ...(keep === 'freezer' ? { freezerUntil: keeping.useBy } : {}),
        contents: [boxContent(figures, made, kitchen, till === undefined || boxes === 0 ? undefined : till / boxes)],
      };
    }),
  );
}

function keepingWords({ because, guideline }: KeepingLimits, beyond: boolean): string {
  return beyond ? `its label says so, later than the ${guideline}` : because;
}

function boxContent(figures: BoxFigures, made: BatchFigures, kitchen: Kitchen, till: number | undefined): BoxContent {
  const { box, weight, nutrients, usedCost } = figures;
  const held = made.figures.parts.flatMap((part): PartFigures[] => {
    const grams = box.grams[part.part.id] ?? 0;
    if (grams <= 0 || !weighsSomething(part.cooked)) return [];
    return [{ ...part, share: { ...part.share, share: grams / part.cooked } }];
  });
  const eye = held.filter(({ part }) => box.eye?.includes(part.id));
  return contentFrom({ held, eye, weight, nutrients, usedCost, till, kitchen });
}

function sessionPool(session: Session, dish: number, recipe: Recipe, boxes: number, kitchen: Kitchen): BoxPool {
  const box = { session: session.id, dish: dish + 1 };
  const sized = (one: Recipe) => recipeFigures(scaledRecipe(one, boxes, kitchen).recipe, kitchen);
  const figures = sized(recipe);
  const limits = keepingLimits(boxedParts(figures).flatMap(foodsOfPart), recipe.storage, guidelineOf(kitchen.settings));
  const until = (keep: 'fridge' | 'freezer') => boxKeeping({ name: '', grams: {}, keep }, session.date, limits).useBy;
  return {
    ...{ key: poolKey(box), box, recipe: recipe.id, title: recipe.title, count: Math.floor(boxes) },
    ...{ cooked: session.date, planned: true, because: limits.because, fridgeUntil: until('fridge') },
    ...((session.start ?? USUAL_START) >= NOON ? { afternoon: true as const } : {}),
    ...(limits.freezes ? { freezerUntil: until('freezer') } : {}),
    contents: [
      servingContent(figures, boxes, kitchen),
      ...(recipe.variants ?? []).map((variant) => ({
        variant: variant.name,
        ...servingContent(sized(variantRecipe(recipe, variant)), boxes, kitchen),
      })),
    ],
  };
}

function boxedParts({ parts }: RecipeFigures): PartFigures[] {
  return parts.filter(({ part }) => servedOf(part) === 'box');
}

function servingContent(figures: RecipeFigures, boxes: number, kitchen: Kitchen): BoxContent {
  const till = figures.batch.till.cost?.toNumber();
  return contentFrom({
    ...{ held: boxedParts(figures), eye: [], kitchen },
    ...{ weight: figures.perServing.weight, nutrients: figures.perServing.nutrients, usedCost: figures.perServing.usedCost },
    till: till === undefined ? undefined : till / boxes,
  });
}

/** What of a box is known: every figure with its standard uncertainty; what was taken by eye adds its own, in squares. */
function contentFrom({
  held,
  eye,
  weight,
  nutrients,
  usedCost,
  till,
  kitchen,
}: {
  readonly held: readonly PartFigures[];
  readonly eye: readonly PartFigures[];
  readonly weight: number;
  readonly nutrients: NutrientFigures;
  readonly usedCost: Figure;
  readonly till: number | undefined;
  readonly kitchen: Kitchen;
}): BoxContent {
  const spread = new Map(standardUncertainties(held, FIGURE_KEYS).map((one, i) => [FIGURE_KEYS[i], one]));
  const figure = (of: BriefFigure): BoxFigure => {
    if (of === 'weight') return { amount: weight };
    if (of === 'usedCost') return plain(usedCost);
    const { key, shown } = keptFigure(of, kitchen.convention);
    const byEye = eye.map((part) => (part.nutrients[key].amount ?? 0) * part.share.share * UNCERTAINTY_OF_EYE);
    const squares = compensatedSum([spread.get(key) ?? 0, ...byEye].map((one) => one ** 2));
    return { ...plain(shownFigure(of, nutrients, kitchen.convention)), uncertain: shown(Math.sqrt(squares)) };
  };
  return { figures: Object.fromEntries(BRIEF_FIGURES.map((of) => [of, figure(of)])), ...(till === undefined ? {} : { till }) };
}

function plain({ amount, gaps }: Figure): BoxFigure {
  return { ...(amount === undefined ? {} : { amount }), ...(gaps.length > 0 ? { atLeast: true as const } : {}) };
}
