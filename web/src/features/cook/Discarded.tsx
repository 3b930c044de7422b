import type { Batch, BatchEdit, Kitchen, Recipe } from '@portiona/core';
import { numberText } from '../../ui/numberText';
import { FoodOfPart } from './FoodOfPart';

/** What was thrown away: fat that was drained, bones, marinade left; it takes its energy with it. */
export function Discarded({
  batch,
  recipe,
  kitchen,
  say,
}: {
  readonly batch: Batch;
  readonly recipe: Recipe;
  readonly kitchen: Kitchen;
  readonly say: (edit: BatchEdit) => void;
}) {
  const own = batch.discards ?? [];
  const planned = recipe.parts.filter(({ discards }) => (discards ?? []).length > 0);
  return (
    <details className="cook-more" open={own.length > 0}>
      <summary>Thrown away: fat, bones, marinade{own.length > 0 ? `, ${own.length}` : ''}</summary>
      {planned.length > 0 && own.length === 0 && (
        <p className="muted">
          As the recipe has it: {planned.map(({ name }) => name).join(', ')}. What is weighed here stands in its place.
        </p>
      )}
      {own.map((one) => (
        <p key={`${one.part} ${one.food}`}>
          {numberText(one.grams, 0)} g {kitchen.food(one.food)?.name ?? one.food} from{' '}
          {recipe.parts.find(({ id }) => id === one.part)?.name ?? one.part}{' '}
          <button type="button" className="cook-plain" onClick={() => say({ do: 'discard', part: one.part, food: one.food })}>
            it was not
          </button>
        </p>
      ))}
      <FoodOfPart
        parts={recipe.parts.filter(({ lines }) => lines.length > 0)}
        word="From"
        label="Thrown away"
        kitchen={kitchen}
        onTake={(part, food, grams) => say({ do: 'discard', part, food, grams })}
      />
    </details>
  );
}
