import { againstStated, nutrientName, recipeFigures, unitOf, type ReadRecipe, type Recipe } from '@portiona/core';
import type { LoadedKitchen } from '../kitchen/useKitchen';
import { numberText } from '../../ui/numberText';

interface BroughtRecipeProps {
  readonly recipe: Recipe;
  readonly read: ReadRecipe;
  readonly here: LoadedKitchen;
}

/** Lines named at most, before they are only counted. */
const MOST_NAMED = 6;

/** What was made of a recipe that is brought: what it has, what waits or is unsure, what was assumed and what was left out. */
export function BroughtRecipe({ recipe, read, here }: BroughtRecipeProps) {
  const lines = recipe.parts.flatMap((part) => part.lines);
  const unmatched = lines.filter(({ food }) => food === undefined);
  const unsure = lines.filter(({ agreed }) => agreed === false);
  const steps = recipe.steps?.length ?? 0;
  return (
    <>
      <p aria-live="polite">
        {recipe.servings} {recipe.servingName === 'box' ? 'boxes' : `${recipe.servingName}s`}
        {read.servings === undefined && <span className="warn"> ▲ assumed, it does not say</span>}, {counted(recipe.parts.length, 'part')},{' '}
        {counted(lines.length, 'line')}, {steps === 0 ? <span className="warn">▲ no method found</span> : counted(steps, 'step')}
        {recipe.totalMinutes !== undefined && `, ${recipe.totalMinutes} min`}.{' '}
        {unmatched.length === 0 && unsure.length === 0 && <span className="ok">✓ every line has its food</span>}
        {unmatched.length > 0 && (
          <span className="warn">
            ▲ {unmatched.length} {unmatched.length === 1 ? 'line waits' : 'lines wait'} for a food:{' '}
            {listed(unmatched.map((line) => `“${line.text ?? ''}”`))}
          </span>
        )}
        {unsure.length > 0 && (
          <span className="warn block">
            ▲ {unsure.length} {unsure.length === 1 ? 'line is' : 'lines are'} unsure, to be agreed to once it is brought:{' '}
            {listed(unsure.map((line) => `“${line.text ?? ''}” as ${here.foodsById.get(line.food ?? '')?.name ?? ''}`))}
          </span>
        )}
      </p>
      {recipe.parts.length > 1 && (
        <p className="muted text-small">
          {recipe.parts.map(({ name, served }) => (served === 'table' ? `${name} (at the table)` : name)).join(', ')}
        </p>
      )}
      <Stated recipe={recipe} here={here} />
      {read.left.length > 0 && (
        <p className="warn text-small">
          ▲ Left out, as no part of the recipe: {listed(read.left.map((line) => `“${line.length > 60 ? `${line.slice(0, 60)} …` : line}”`))}
        </p>
      )}
      {recipe.source !== undefined && <p className="faint text-small">From {recipe.source}; the recipe keeps that.</p>}
    </>
  );
}

/** What the page says of a serving, and what is computed of the lines as they are matched. */
function Stated({ recipe, here }: Pick<BroughtRecipeProps, 'recipe' | 'here'>) {
  if (!recipe.stated) return null;
  const rows = againstStated(recipe, recipeFigures(recipe, here.kitchen), here.kitchen.convention);
  const energy = rows.find(({ nutrient }) => nutrient === 'energyKcal');
  const far = rows.filter((row) => row.far);
  return (
    <p className={far.length > 0 ? 'warn text-small' : 'muted text-small'}>
      {far.length > 0 && '▲ '}
      {energy
        ? `The page says ${numberText(energy.stated, 0)} kcal a serving; its lines make ${energy.atLeast ? 'at least ' : ''}${numberText(energy.computed ?? 0, 0)}.`
        : 'The page says some figures of a serving; they are kept with the recipe.'}
      {far
        .filter(({ nutrient }) => nutrient !== 'energyKcal')
        .map(
          ({ nutrient, stated, computed }) =>
            ` ${nutrientName(nutrient)} ${numberText(stated, 1)}, made ${numberText(computed ?? 0, 1)} ${unitOf(nutrient)}.`,
        )
        .join('')}
    </p>
  );
}

const counted = (number: number, what: string) => `${number} ${what}${number === 1 ? '' : 's'}`;

function listed(names: readonly string[]): string {
  const named = names.slice(0, MOST_NAMED).join('; ');
  return names.length > MOST_NAMED ? `${named} and ${names.length - MOST_NAMED} more` : named;
}
