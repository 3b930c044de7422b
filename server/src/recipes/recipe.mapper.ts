import {
  boxBand,
  briefJudgements,
  briefVerdict,
  energyShares,
  figureKey,
  groundKept,
  indexOf,
  judgementsOn,
  type Brief,
  type Computed,
  type Figure,
  type KeptGround,
  type Kitchen,
  type Recipe,
  type RecipeFigures,
  type SwapEffect,
} from '@portiona/core';
import type { SavedRecipeDto } from '../http/saved.dto.js';
import type { FindingDto } from './finding.dto.js';
import type { BandedFigureDto, BriefVerdictDto, ListedFigureDto, ListedRecipeDto, SwapDto } from './recipe.dto.js';
import type { RecipeRevisionEntity } from './recipeRevision.entity.js';

/** The recipe as core knows it. */
export function toRecipe({ document }: RecipeRevisionEntity): Recipe {
  return document;
}

export function toSavedRecipe({ recipeId, revision, savedAt, document }: RecipeRevisionEntity): SavedRecipeDto {
  return { id: recipeId, revision, savedAt: savedAt.toISOString(), document };
}

/** What a recipe shows at a glance, but for its head. */
export type ListedFigures = Omit<ListedRecipeDto, 'id' | 'title' | 'revision' | 'savedAt' | 'computing'>;

/**
 * A recipe at a glance, its figures asked of core; one that cannot be computed says why.
 *
 * @param open what Check finds in it and nobody left with a reason
 */
export function toListedFigures(
  recipe: Recipe,
  figures: Computed<RecipeFigures>,
  kitchen: Kitchen,
  open: readonly FindingDto[],
): ListedFigures {
  const listed = {
    ...(recipe.series === undefined ? {} : { series: recipe.series }),
    ...(recipe.number === undefined ? {} : { number: recipe.number }),
    servings: recipe.servings,
    servingName: recipe.servingName ?? 'serving',
  };
  return figures.ok
    ? { ...listed, uncomputed: null, ...figuresAtAGlance(recipe, figures.made, kitchen, open) }
    : { ...listed, uncomputed: figures.because, ...NOTHING_KNOWN };
}

type FiguresAtAGlance = Omit<ListedFigures, 'series' | 'number' | 'servings' | 'servingName' | 'uncomputed'>;

const UNKNOWN: ListedFigureDto = { amount: null, atLeast: true };
const NOTHING_KNOWN: FiguresAtAGlance = {
  weight: null,
  energyKcal: { ...UNKNOWN, band: null },
  protein: { ...UNKNOWN, band: null },
  carbohydrate: UNKNOWN,
  fat: UNKNOWN,
  fibre: UNKNOWN,
  usedCost: UNKNOWN,
  tillCost: UNKNOWN,
  index: null,
  energyShares: [],
  withTopping: null,
  brief: null,
  wrong: 1,
  look: 0,
  unsure: 0,
};

/** What is told of a recipe of which nothing was computed yet, but for its servings. */
export const NOTHING_COMPUTED: Omit<ListedFigures, 'servings' | 'servingName'> = { uncomputed: null, ...NOTHING_KNOWN, wrong: 0 };

function figuresAtAGlance(recipe: Recipe, figures: RecipeFigures, kitchen: Kitchen, open: readonly FindingDto[]): FiguresAtAGlance {
  const { nutrients, usedCost, weight } = figures.perServing;
  const { cost, unpriced } = figures.batch.till;
  return {
    weight,
    energyKcal: toBandedFigure('energyKcal', figures, kitchen),
    protein: toBandedFigure('protein', figures, kitchen),
    carbohydrate: toListedFigure(nutrients[figureKey('carbohydrate', kitchen.convention)]),
    fat: toListedFigure(nutrients.fat),
    fibre: toListedFigure(nutrients.fibre),
    usedCost: toListedFigure(usedCost),
    tillCost: toListedFigure({ amount: cost?.toNumber(), gaps: unpriced }),
    index: kitchen.settings.index ? toListedFigure(indexOf(kitchen.settings.index, figures.perServing, kitchen.convention)) : null,
    energyShares: energyShares(figures.perServing),
    withTopping: figures.hasTopping
      ? {
          energyKcal: toListedFigure(figures.withTopping.nutrients.energyKcal),
          protein: toListedFigure(figures.withTopping.nutrients.protein),
        }
      : null,
    brief: recipe.brief ? briefVerdict(briefJudgements(figures, recipe.brief, kitchen)) : null,
    wrong: open.filter(({ severity }) => severity === 'wrong').length,
    look: open.filter(({ severity, code }) => severity === 'look' && code !== 'food-unsure').length,
    unsure: open.filter(({ code }) => code === 'food-unsure').length,
  };
}

function toBandedFigure(nutrient: 'energyKcal' | 'protein', figures: RecipeFigures, kitchen: Kitchen): BandedFigureDto {
  const band = boxBand(nutrient, figures, kitchen.convention);
  return { ...toListedFigure(figures.perServing.nutrients[nutrient]), band: band ?? null };
}

function toListedFigure({ amount, gaps }: Figure): ListedFigureDto {
  return { amount: amount ?? null, atLeast: gaps.length > 0 };
}

export function toSwap({ recipe, energyKcal, protein, usedCost }: Omit<SwapEffect, 'swapped'>): SwapDto {
  return {
    id: recipe.id,
    title: recipe.title,
    servingName: recipe.servingName ?? 'serving',
    energyKcal: energyKcal ?? null,
    protein: protein ?? null,
    usedCost: usedCost ?? null,
  };
}

/** How a recipe stands to a brief, by what was kept of it; without that nothing is known to be missed, and nothing to hold. */
export function toBriefVerdict({ id, title, ground, uncomputed }: KeptRecipe, brief: Brief): BriefVerdictDto {
  if (ground === null) return { id, title, verdict: 'perhaps', missed: 0, uncomputed };
  const judgements = judgementsOn(groundKept(ground), brief);
  const missed = judgements.filter(({ verdict }) => verdict === 'missed').length;
  return { id, title, verdict: briefVerdict(judgements), missed, uncomputed: null };
}

/** What is kept of a recipe to hold a brief against. */
export interface KeptRecipe {
  readonly id: string;
  readonly title: string;
  /** Null where it cannot be computed. */
  readonly ground: KeptGround | null;
  /** Why it cannot be. */
  readonly uncomputed: string | null;
}
