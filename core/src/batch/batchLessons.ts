import { compensatedSum, roundHalfAway } from '../quantity/index.js';
import {
  cookedEstimate,
  nameOfLine,
  placedLines,
  recipeFigures,
  referenceTo,
  type Kitchen,
  type LearnedYield,
  type Part,
  type Recipe,
} from '../recipe/index.js';
import type { Batch } from './batch.js';
import { partFactors, sampleOf } from './learnedYields.js';

/** What a recipe's batches teach that it may take over; each with what it was learned from. */
export type BatchLesson =
  | {
      readonly teaches: 'weight';
      readonly part: string;
      readonly name: string;
      readonly factor: LearnedYield;
      /** Grams that it comes to as the recipe stands, and their standard deviation. */
      readonly grams: number;
      readonly sd: number;
      /** What the recipe counts with now, grams. */
      readonly now: number;
      readonly measured: boolean;
    }
  | {
      readonly teaches: 'minutes';
      /** The middle of what it took, whole minutes. */
      readonly minutes: number;
      readonly taken: readonly number[];
      readonly now: number | undefined;
    }
  | {
      readonly teaches: 'loss';
      /** "part/line". */
      readonly at: string;
      readonly name: string;
      /** Shares of the weight as purchased. */
      readonly losses: readonly number[];
      readonly loss: number;
    };

/** Batches from which something is offered: of one alone nobody knows how much it may be another time. */
const FEWEST_OFFERED = 2;

/**
 * What the batches of a recipe teach: what its parts weigh, by their mean yield; the minutes at the stove, by the middle of those of
 * its own size; what lines lose when they are trimmed, by their mean. Batches that are left out teach nothing.
 *
 * @param recipe as it stands
 * @param batches of it
 * @throws as `recipeFigures`
 */
export function batchLessons(recipe: Recipe, batches: readonly Batch[], kitchen: Kitchen): readonly BatchLesson[] {
  const learning = batches.filter(({ leaveOut }) => !leaveOut);
  return [...weightLessons(recipe, learning, kitchen), ...minuteLessons(recipe, learning), ...lossLessons(recipe, learning, kitchen)];
}

function weightLessons(recipe: Recipe, batches: readonly Batch[], kitchen: Kitchen): BatchLesson[] {
  const factors = partFactors(batches, kitchen);
  return recipeFigures(recipe, kitchen).parts.flatMap(({ part, lines, discards, cooked, estimated }): BatchLesson[] => {
    const found = factors.flatMap(({ of, factor }) => (of === `${recipe.id}/${part.id}` && factor !== undefined ? [factor] : []));
    const counted = lines.filter((line) => line.counted);
    if (found.length < FEWEST_OFFERED || [...counted, ...discards].some(({ weights }) => weights === undefined)) return [];
    const eaten = compensatedSum(counted.map(({ weights }) => weights?.eaten ?? 0));
    const thrown = compensatedSum(discards.map(({ weights }) => weights?.eaten ?? 0));
    const { mean, sd } = sampleOf(found);
    return [
      {
        ...{ teaches: 'weight', part: part.id, name: part.name },
        factor: { batches: found.length, mean, sd },
        ...{ grams: eaten * mean - thrown, sd: eaten * sd },
        ...{ now: cooked, measured: !estimated },
      },
    ];
  });
}

function minuteLessons(recipe: Recipe, batches: readonly Batch[]): BatchLesson[] {
  const taken = batches.flatMap(({ servings, minutes }) =>
    minutes?.active !== undefined && (servings ?? recipe.servings) === recipe.servings ? [minutes.active] : [],
  );
  if (taken.length < FEWEST_OFFERED) return [];
  const sorted = [...taken].sort((a, b) => a - b);
  const half = Math.floor(sorted.length / 2);
  const [below = 0, above = 0] = [sorted[half - 1], sorted[half]];
  const minutes = roundHalfAway(sorted.length % 2 === 1 ? above : (below + above) / 2, 1);
  return [{ teaches: 'minutes', minutes, taken, now: recipe.activeMinutes }];
}

function lossLessons(recipe: Recipe, batches: readonly Batch[], kitchen: Kitchen): BatchLesson[] {
  const figures = new Map(recipeFigures(recipe, kitchen).lines.map((line) => [line.at, line]));
  return placedLines(recipe).flatMap(({ part, line, l, at }): BatchLesson[] => {
    const losses = batches.flatMap((batch) => lossOf(batch, recipe, referenceTo(part, line, l)));
    const here = figures.get(at);
    if (losses.length < FEWEST_OFFERED || !here) return [];
    return [{ teaches: 'loss', at, name: nameOfLine(here), losses, loss: sampleOf(losses).mean }];
  });
}

/** What a line lost at a batch, where it was weighed before and after. */
function lossOf(batch: Batch, recipe: Recipe, reference: string): number[] {
  const then = batch.then ?? recipe;
  return placedLines(then).flatMap(({ part, line, l, at }) => {
    if (referenceTo(part, line, l) !== reference) return [];
    const done = batch.lines?.find((one) => 'at' in one && one.at === at);
    if (!done || !('trimmedFrom' in done) || done.trimmedFrom === undefined || done.trimmedFrom <= done.grams) return [];
    return [1 - done.grams / done.trimmedFrom];
  });
}

/** The recipe with what its batches taught. */
export function withLesson(recipe: Recipe, lesson: BatchLesson, kitchen: Kitchen): Recipe {
  switch (lesson.teaches) {
    case 'minutes':
      return { ...recipe, activeMinutes: lesson.minutes };
    case 'weight': {
      const parts = recipe.parts.map((part): Part => {
        if (part.id !== lesson.part) return part;
        const estimate = cookedEstimate(part, recipe, kitchen);
        const { measuredFor: _, ...rest } = part;
        return { ...rest, cookedWeight: roundHalfAway(lesson.grams, 1), ...(estimate > 0 ? { measuredFor: estimate } : {}) };
      });
      return { ...recipe, parts };
    }
    case 'loss':
      return {
        ...recipe,
        parts: recipe.parts.map((part) => ({
          ...part,
          lines: part.lines.map((line, l) =>
            `${part.id}/${l + 1}` === lesson.at ? { ...line, loss: roundHalfAway(lesson.loss, 0.001) } : line,
          ),
        })),
      };
  }
}
