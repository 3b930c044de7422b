import {
  boxBand,
  briefJudgements,
  briefVerdict,
  energyShares,
  figureKey,
  findingsOf,
  recipeFigures,
  type Brief,
  type Figure,
  type Kitchen,
  type Recipe,
  type RecipeFigures,
  type SwapEffect,
} from '@portiona/core';
import type { SavedDto } from '../http/saved.dto.js';
import type { BandedFigureDto, BriefVerdictDto, ListedFigureDto, ListedRecipeDto, SwapDto } from './recipe.dto.js';
import type { RecipeEntity } from './recipe.entity.js';
import type { RecipeRevisionEntity } from './recipeRevision.entity.js';

/** The recipe as core knows it. */
export function toRecipe({ document }: RecipeRevisionEntity): Recipe {
  return document;
}

export function toSavedRecipe({ recipeId, revision, savedAt, document }: RecipeRevisionEntity): SavedDto {
  return { id: recipeId, revision, savedAt: savedAt.toISOString(), document };
}

/** A recipe at a glance, its figures asked of core. */
export function toListedRecipe(head: RecipeEntity, recipe: Recipe, kitchen: Kitchen): ListedRecipeDto {
  const figures = recipeFigures(recipe, kitchen);
  const { nutrients, usedCost, weight } = figures.perServing;
  const { cost, unpriced } = figures.batch.till;
  const findings = findingsOf(figures, kitchen);
  return {
    id: head.id,
    title: head.title,
    revision: head.revision,
    savedAt: head.savedAt.toISOString(),
    ...(recipe.series === undefined ? {} : { series: recipe.series }),
    ...(recipe.number === undefined ? {} : { number: recipe.number }),
    servings: recipe.servings,
    servingName: recipe.servingName ?? 'serving',
    weight,
    energyKcal: toBandedFigure('energyKcal', figures, kitchen),
    protein: toBandedFigure('protein', figures, kitchen),
    carbohydrate: toListedFigure(nutrients[figureKey('carbohydrate', kitchen.convention)]),
    fat: toListedFigure(nutrients.fat),
    fibre: toListedFigure(nutrients.fibre),
    usedCost: toListedFigure(usedCost),
    tillCost: toListedFigure({ amount: cost?.toNumber(), gaps: unpriced }),
    energyShares: energyShares(figures.perServing),
    withTopping: figures.hasTopping
      ? {
          energyKcal: toListedFigure(figures.withTopping.nutrients.energyKcal),
          protein: toListedFigure(figures.withTopping.nutrients.protein),
        }
      : null,
    brief: recipe.brief ? briefVerdict(briefJudgements(figures, recipe.brief, kitchen)) : null,
    wrong: findings.filter(({ severity }) => severity === 'wrong').length,
    look: findings.filter(({ severity }) => severity === 'look').length,
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

/** How a recipe stands to a brief, asked of core. */
export function toBriefVerdict(head: RecipeEntity, recipe: Recipe, brief: Brief, kitchen: Kitchen): BriefVerdictDto {
  const judgements = briefJudgements(recipeFigures(recipe, kitchen), brief, kitchen);
  const missed = judgements.filter(({ verdict }) => verdict === 'missed').length;
  return { id: head.id, title: head.title, verdict: briefVerdict(judgements), missed };
}
