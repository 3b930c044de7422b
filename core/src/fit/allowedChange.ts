import { bestPack, candidatePacks } from '../price/index.js';
import { gramsOfMassUnit, isVolumeWord, midpointOf } from '../quantity/index.js';
import {
  placesByReference,
  servedOf,
  timesWritten,
  type FitBound,
  type Kitchen,
  type Line,
  type LineFigures,
  type Recipe,
  type RecipeFigures,
} from '../recipe/index.js';

/** Why a line stays as it is. */
export type StaysBecause = 'locked' | 'optional' | 'to taste' | 'not in the box' | 'no weight' | 'no food' | 'no pack' | 'nothing of it';

/** How far a line's amount may be stretched, as a factor of what it is now. */
export type AllowedChange =
  | { readonly kind: 'stays'; readonly because: StaysBecause }
  | { readonly kind: 'free'; readonly low: number; readonly high: number }
  /** Only whole multiples of a step, itself a factor. */
  | { readonly kind: 'steps'; readonly step: number; readonly least: number; readonly most: number }
  | { readonly kind: 'with'; readonly at: string };

/** A line that making a dish fit looks at. */
export interface AdjustableLine {
  readonly at: string;
  readonly line: Line;
  readonly figures: LineFigures;
  readonly allowed: AllowedChange;
  /** What a change costs beside that of other lines. */
  readonly weight: number;
}

/** By half less or half more, where nothing else is said. */
export const USUAL_STRETCH = 0.5;

/** Every line of a recipe with how far it may move. */
export function adjustableLines({ recipe, parts }: RecipeFigures, kitchen: Kitchen): AdjustableLine[] {
  const places = placesByReference(recipe);
  return parts.flatMap(({ part, lines }) =>
    lines.map((figures) => ({
      at: figures.at,
      line: figures.line,
      figures,
      allowed: servedOf(part) === 'box' ? allowedChangeOf(figures, { recipe, kitchen, places }) : stays('not in the box'),
      weight: figures.line.fit?.weight ?? 1,
    })),
  );
}

/** What a line's bound is read against. */
interface Bounding {
  readonly recipe: Recipe;
  readonly kitchen: Kitchen;
  readonly places: ReadonlyMap<string, string>;
}

function allowedChangeOf(figures: LineFigures, bounding: Bounding): AllowedChange {
  const { line, weights } = figures;
  const bound = line.fit?.bound;
  if (bound === 'locked') return stays('locked');
  if (line.optional) return stays('optional');
  if (figures.of.kind === 'unmatched') return stays('no food');
  if (line.amount === undefined && bound === undefined) return stays('to taste');
  if (!weights) return stays('no weight');
  if (weights.grams === 0) return stays('nothing of it');
  return boundChange(bound ?? usualBound(line, bounding.recipe), figures, bounding);
}

function boundChange(
  bound: Exclude<FitBound, 'locked'>,
  { line, weights }: LineFigures,
  { recipe, kitchen, places }: Bounding,
): AllowedChange {
  if (typeof bound === 'object')
    return 'withLine' in bound
      ? { kind: 'with', at: places.get(bound.withLine) ?? bound.withLine }
      : { kind: 'free', low: Math.max(0, 1 - bound.within), high: 1 + bound.within };
  if (bound === 'whole') return steps(batchAmount(line, recipe));
  const food = line.food === undefined ? undefined : kitchen.food(line.food);
  const pack = food && bestPack(candidatePacks(food, kitchen.packsOf(food.id), kitchen.settings));
  return pack && weights ? steps(weights.purchase / pack.grams) : stays('no pack');
}

/** Whole numbers of something there are so many of now: half to half as many again, and always one more and one less, never none. */
function steps(count: number): AllowedChange {
  if (count <= 0) return stays('nothing of it');
  const least = Math.max(1, Math.min(Math.ceil(count * (1 - USUAL_STRETCH)), Math.ceil(count) - 1));
  return { kind: 'steps', step: 1 / count, least, most: Math.max(Math.floor(count * (1 + USUAL_STRETCH)), Math.floor(count) + 1, least) };
}

/** Pieces that are whole now stay whole; halves stay halves by moving freely and being rounded to halves. */
function usualBound(line: Line, recipe: Recipe): Exclude<FitBound, 'locked'> {
  return isCount(line.unit) && Number.isInteger(batchAmount(line, recipe)) && line.amount !== 0 ? 'whole' : { within: USUAL_STRETCH };
}

function batchAmount(line: Line, recipe: Recipe): number {
  return line.amount === undefined ? (line.toTaste ?? 0) : midpointOf(line.amount) * timesWritten(recipe);
}

/** Whether a unit counts things rather than measures mass or volume. */
function isCount(unit: string | undefined): boolean {
  return unit !== undefined && gramsOfMassUnit(unit) === undefined && !isVolumeWord(unit);
}

function stays(because: StaysBecause): AllowedChange {
  return { kind: 'stays', because };
}
