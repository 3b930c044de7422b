import type { BatchEdit, Kitchen, Recipe } from '@portiona/core';
import { FoodOfPart } from './FoodOfPart';

/** Something that went in besides: into which part, what, how much. */
export function OneMore({
  recipe,
  kitchen,
  say,
}: {
  readonly recipe: Recipe;
  readonly kitchen: Kitchen;
  readonly say: (edit: BatchEdit) => void;
}) {
  return (
    <details className="cook-more">
      <summary>Something went in besides</summary>
      <FoodOfPart
        parts={recipe.parts}
        word="Into"
        label="Went in besides"
        kitchen={kitchen}
        onTake={(part, food, grams) => say({ do: 'more', line: { part, food, grams } })}
      />
    </details>
  );
}
