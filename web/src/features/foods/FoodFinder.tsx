import type { ReactNode } from 'react';
import type { Food } from '@portiona/core';
import { Chip } from '../../ui/Chip';
import { Input } from '../../ui/Input';
import { MenuItem } from '../../ui/Menu';
import { stepByArrows } from '../../ui/stepByArrows';
import type { LoadedKitchen } from '../kitchen/useKitchen';
import { useMay } from '../account/useMe';
import { foodGlance } from './foodGlance';

interface FoodFinderProps {
  /** What is looked for. */
  readonly label: string;
  readonly placeholder?: string;
  readonly words: string;
  readonly onWords: (words: string) => void;
  readonly foods: readonly Food[];
  readonly here: LoadedKitchen;
  readonly current?: Food | undefined;
  readonly onPick: (food: Food) => void;
  readonly autoFocus?: boolean;
  /** Around the foods, where they lie over the page. */
  readonly within?: (foods: ReactNode) => ReactNode;
  /** Between the field and the foods. */
  readonly children?: ReactNode;
}

/** Words, and the foods they find, each with energy, protein and price: arrows go through them, Enter takes the first or the one it stands on. */
export function FoodFinder({
  label,
  placeholder,
  words,
  onWords,
  foods,
  here,
  current,
  onPick,
  autoFocus = false,
  within = (list) => list,
  children,
}: FoodFinderProps) {
  const showsCosts = useMay('costs');
  const list = foods.map((food) => (
    <MenuItem key={food.id} type="button" aria-current={food.id === current?.id} onClick={() => onPick(food)}>
      <span>
        {food.name}
        <span className="block muted text-small">{foodGlance(food, here.kitchen, showsCosts)}</span>
      </span>
      <Chip>{food.source ?? 'estimate'}</Chip>
    </MenuItem>
  ));
  return (
    <div className="relative" onKeyDown={stepByArrows}>
      <Input
        className="w-full mb-1"
        aria-label={label}
        placeholder={placeholder}
        value={words}
        autoFocus={autoFocus}
        onChange={({ target }) => onWords(target.value)}
        onKeyDown={(event) => {
          if (event.key !== 'Enter' || !foods[0]) return;
          event.preventDefault();
          onPick(foods[0]);
        }}
      />
      {children}
      {list.length > 0 && within(list)}
    </div>
  );
}
