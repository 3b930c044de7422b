import { useState } from 'react';
import type { BatchEdit, Kitchen, Recipe } from '@portiona/core';
import { AnotherFood } from './AnotherFood';

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
  const [part, setPart] = useState<string>();
  return (
    <details className="cook-more">
      <summary>Something went in besides</summary>
      {recipe.parts.map(({ id, name }) => (
        <button
          key={id}
          type="button"
          className="cook-plain"
          aria-expanded={part === id}
          onClick={() => setPart(part === id ? undefined : id)}
        >
          Into {name}
        </button>
      ))}
      {part !== undefined && (
        <AnotherFood
          label="Went in besides"
          kitchen={kitchen}
          grams={undefined}
          onTake={(food, grams) => {
            say({ do: 'more', line: { part, food, grams } });
            setPart(undefined);
          }}
        />
      )}
    </details>
  );
}
