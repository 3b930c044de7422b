import { useState } from 'react';
import type { Kitchen, Part } from '@portiona/core';
import { AnotherFood } from './AnotherFood';

/** A food and its grams, of one of these parts. */
export function FoodOfPart({
  parts,
  word,
  label,
  kitchen,
  onTake,
}: {
  readonly parts: readonly Part[];
  /** "From", "Into": before the part's name. */
  readonly word: string;
  readonly label: string;
  readonly kitchen: Kitchen;
  readonly onTake: (part: string, food: string, grams: number) => void;
}) {
  const [part, setPart] = useState<string>();
  return (
    <>
      {parts.map(({ id, name }) => (
        <button
          key={id}
          type="button"
          className="cook-plain"
          aria-expanded={part === id}
          onClick={() => setPart(part === id ? undefined : id)}
        >
          {word} {name}
        </button>
      ))}
      {part !== undefined && (
        <AnotherFood
          label={label}
          kitchen={kitchen}
          grams={undefined}
          onTake={(food, grams) => {
            onTake(part, food, grams);
            setPart(undefined);
          }}
        />
      )}
    </>
  );
}
