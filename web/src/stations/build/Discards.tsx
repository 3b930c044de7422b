import { useState } from 'react';
import { X } from 'lucide-react';
import { amountWords, midpointOf, type Discard, type Part } from '@portiona/core';
import { retyped } from '../../features/recipes/editRecipe';
import { useStation } from '../station';
import { Button } from '../../ui/Button';
import { Input } from '../../ui/Input';
import { Field } from '../../ui/Field';

interface DiscardsProps {
  readonly part: Part;
  readonly onChange: (discards: readonly Discard[] | undefined) => void;
}

/** What is thrown away after cooking, by its own composition: 30 g of drained fat are 30 g of fat less. */
export function Discards({ part: { name, discards = [] }, onChange }: DiscardsProps) {
  const { recipe, here } = useStation();
  const [text, setText] = useState('');
  const read = text.trim() === '' ? undefined : retyped(undefined, text, here, recipe);
  const food = read?.food === undefined ? undefined : here.foodsById.get(read.food);
  const ready = food !== undefined && read?.amount !== undefined;
  const add = () => {
    if (!food || read?.amount === undefined) return;
    onChange([...discards, { food: food.id, amount: midpointOf(read.amount), unit: read.unit ?? 'g' }]);
    setText('');
  };
  return (
    <div>
      {discards.map(({ food: id, amount, unit }, i) => {
        const words = `${amountWords(amount, unit)} ${here.foodsById.get(id)?.name ?? id}`;
        return (
          <p key={i} className="flex justify-between items-center text-compact">
            <span>{words}, thrown away</span>
            <Button
              kind="icon"
              aria-label={`Count ${words} again`}
              onClick={() => onChange(discards.length === 1 ? undefined : discards.filter((_, d) => d !== i))}
            >
              <X size={14} />
            </Button>
          </p>
        );
      })}
      <span className="flex gap-2 items-end">
        <Field label="Thrown away after cooking" className="flex-1">
          <Input
            aria-label={`Thrown away from ${name} after cooking`}
            value={text}
            maxLength={200}
            placeholder="30 g drained fat"
            onChange={({ target }) => setText(target.value)}
            onKeyDown={(event) => event.key === 'Enter' && add()}
          />
        </Field>
        <Button disabled={!ready} onClick={add}>
          Add
        </Button>
      </span>
      {read && (
        <p className={`text-small mt-0.5 ${ready ? 'faint' : 'bad'}`} role="status">
          {!food
            ? 'No food of the pantry is meant by these words yet.'
            : ready
              ? `Counted as ${food.name}.`
              : 'Say how much, such as 30 g.'}
        </p>
      )}
    </div>
  );
}
