import {
  amountWords,
  handyMeasure,
  midpointOf,
  placeOf,
  scaledRecipe,
  usualScaling,
  type Kitchen,
  type Line,
  type Recipe,
  type RecipeFigures,
  type Scaling,
} from '@portiona/core';
import { numberText } from '../../ui/numberText';
import { lineName } from '../fit/fitWords';
import { replaceLine, withScaling } from '../recipes/editRecipe';
import { recipeActions } from '../recipes/recipeSlice';
import { useAppDispatch } from '../recipes/useRecipeState';
import { RuleChoice } from './RuleChoice';
import { Button } from '../../ui/Button';
import { proportionText } from './proportionText';

interface ScaledLinesProps {
  readonly recipe: Recipe;
  /** With the rules it is scaled by, the usual ones where a line states none. */
  readonly ruled: Recipe;
  readonly figures: RecipeFigures;
  readonly kitchen: Kitchen;
  readonly servings: number;
  /** As it would be taken; undefined where it cannot be scaled. */
  readonly scaled: Recipe | undefined;
}

/** Every line as it is, as it becomes, by which rule, and beside it what it would be in proportion. */
export function ScaledLines({ recipe, ruled, figures, kitchen, servings, scaled }: ScaledLinesProps) {
  const dispatch = useAppDispatch();
  const exact = scaled && scaledRecipe(ruled, servings, kitchen);
  const usualOf = ({ scaling: _, ...line }: Line) =>
    usualScaling(line, line.food === undefined ? undefined : kitchen.food(line.food), recipe);
  const write = (part: number, line: number, old: Line, scaling: Scaling | undefined) =>
    dispatch(recipeActions.edited({ recipe: replaceLine(recipe, { part, line }, withScaling(old, scaling, usualOf(old) !== undefined)) }));
  return (
    <table className="mt-2 scaled">
      <thead>
        <tr>
          <th>line</th>
          <th>now</th>
          <th>then</th>
          <th style={{ textAlign: 'left' }}>by its rule</th>
        </tr>
      </thead>
      <tbody>
        {recipe.parts.flatMap((part, p) =>
          part.lines.map((line, l) => {
            const at = placeOf(part, l);
            const of = figures.parts[p]?.lines[l];
            const [next, unsnapped] = [scaled?.parts[p]?.lines[l], exact?.recipe.parts[p]?.lines[l]];
            const proportional = exact?.proportional.get(at);
            const rule = ruled.parts[p]?.lines[l] ?? line;
            const usual = line.scaling === undefined && rule.scaling !== undefined ? usualOf(line) : undefined;
            return (
              <tr key={at}>
                <td>
                  {lineName(of)}
                  {proportional !== undefined && servings !== recipe.servings && (
                    <div className="src">in proportion it would be {proportionText(line, servings / recipe.servings, proportional)}</div>
                  )}
                </td>
                <td className="num whitespace-nowrap">{amountOf(line)}</td>
                <td className="num whitespace-nowrap font-semibold">
                  {next && amountOf(next)}
                  {next && unsnapped && exact && <Drift from={handyMeasure(unsnapped, exact.recipe, kitchen)} to={next} />}
                </td>
                <td className="rule">
                  <RuleChoice
                    name={lineName(of)}
                    line={rule}
                    at={at}
                    recipe={recipe}
                    figures={figures}
                    onChange={(scaling) => write(p, l, line, scaling)}
                  />
                  {usual && (
                    <div className="src">
                      {usual.because};{' '}
                      <Button kind="quiet" onClick={() => write(p, l, line, 'proportional')}>
                        in proportion instead
                      </Button>
                    </div>
                  )}
                </td>
              </tr>
            );
          }),
        )}
      </tbody>
    </table>
  );
}

/** How far an amount was moved to be measurable. */
function Drift({ from, to }: { readonly from: Line; readonly to: Line }) {
  const [exact, snapped] = [from.amount ?? from.toTaste, to.amount ?? to.toTaste];
  // Not snapped, it stands in the measure it is written in.
  if (exact === undefined || snapped === undefined || midpointOf(exact) === 0 || from.unit !== to.unit) return null;
  const drift = midpointOf(snapped) / midpointOf(exact) - 1;
  if (Math.abs(drift) < 0.0005) return null;
  return (
    <div className={`src ${Math.abs(drift) > 0.1 ? 'warn' : ''}`}>
      {drift > 0 ? '+' : '−'}
      {numberText(Math.abs(drift) * 100, 1)} %
    </div>
  );
}

function amountOf({ amount, unit = 'g', toTaste }: Line): string {
  if (amount !== undefined) return amountWords(amount, unit);
  return toTaste === undefined ? '' : `${numberText(toTaste, 1)} g assumed`;
}
