import { useMemo, useState } from 'react';
import { FoodIndex, sumFromText, type Kitchen } from '@portiona/core';

/** A food of the pantry by its words, and how much of it: what went in instead, or as well. */
export function AnotherFood({
  label,
  kitchen,
  grams,
  onTake,
}: {
  readonly label: string;
  readonly kitchen: Kitchen;
  /** Grams proposed. */
  readonly grams: number | undefined;
  readonly onTake: (food: string, grams: number) => void;
}) {
  const [words, setWords] = useState('');
  const [typed, setTyped] = useState(grams === undefined ? '' : String(Math.round(grams)));
  const index = useMemo(() => new FoodIndex(kitchen.content.foods), [kitchen]);
  const found = words.trim() === '' ? [] : index.find(words, 6);
  const read = sumFromText(typed);
  const sound = read !== undefined && read >= 0;
  return (
    <div className="another-food">
      <label>
        <span>{label}: which food</span>
        <input value={words} onChange={({ target }) => setWords(target.value)} onKeyDown={(event) => event.stopPropagation()} />
      </label>
      <label>
        <span>how much, g, edible</span>
        <input
          inputMode="text"
          value={typed}
          aria-invalid={!sound}
          onChange={({ target }) => setTyped(target.value)}
          onKeyDown={(event) => event.stopPropagation()}
        />
      </label>
      <div className="another-found" role="group" aria-label="Foods found">
        {found.map(({ food }) => (
          <button key={food.id} type="button" disabled={!sound} onClick={() => sound && onTake(food.id, read)}>
            {food.name}
          </button>
        ))}
        {words.trim() !== '' && found.length === 0 && <span className="muted">The pantry has nothing called so.</span>}
      </div>
    </div>
  );
}
