import { per100gOf, type CarbohydrateConvention, type Food, type LabelNutrient } from '../food/index.js';
import { lineDoubt, type FoodIndex } from '../match/index.js';
import { servedOf, shownFigure, type RecipeFigures } from '../recipe/index.js';
import { boxBand, type Band } from './band.js';

/** What a figure of the box would move by, were a line's words to mean the rival that moves it most. */
export interface RivalReach {
  /** Where the line stands, "part/line". */
  readonly at: string;
  readonly rival: Food;
  /** In the figure's unit, of a serving; below nothing where the rival has less. */
  readonly moves: number;
}

/**
 * How far a figure reaches while lines are unsure: of each, the rival that weighs heaviest, at the same grams. A food that does not
 * say the figure moves nothing: nobody knows how far.
 *
 * @param figure as people read it: salt in grams, carbohydrate by the kitchen's convention
 */
export function rivalReaches(
  figure: LabelNutrient,
  { parts }: RecipeFigures,
  index: FoodIndex,
  convention: CarbohydrateConvention,
): readonly RivalReach[] {
  return parts.flatMap(({ part, share, lines }) =>
    lines.flatMap(({ at, line, counted, weights, nutrients }): RivalReach[] => {
      if (servedOf(part) !== 'box' || !counted || !weights || line.agreed !== false) return [];
      const own = shownFigure(figure, nutrients, convention).amount;
      if (own === undefined) return [];
      const moved = (lineDoubt(line, index)?.rivals ?? []).flatMap((rival) => {
        const held = per100gOf(rival, convention)[figure];
        return held === undefined ? [] : [{ at, rival, moves: ((held / 100) * weights.eaten - own) * share.share }];
      });
      const [heaviest] = moved.sort((a, b) => Math.abs(b.moves) - Math.abs(a.moves));
      return heaviest && Math.abs(heaviest.moves) > 1e-9 ? [heaviest] : [];
    }),
  );
}

/** The 95 % band of a figure of the box, widened by what unsure lines may mean instead. */
export function bandWithRivals(
  figure: LabelNutrient,
  figures: RecipeFigures,
  index: FoodIndex,
  convention: CarbohydrateConvention,
): Band | undefined {
  const band = boxBand(figure, figures, convention);
  if (!band) return undefined;
  const moves = rivalReaches(figure, figures, index, convention).map((reach) => reach.moves);
  const [less, more] = [moves.filter((by) => by < 0), moves.filter((by) => by > 0)].map((by) => by.reduce((sum, one) => sum + one, 0));
  return [Math.max(0, band[0] + (less ?? 0)), band[1] + (more ?? 0)];
}
