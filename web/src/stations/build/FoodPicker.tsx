import { useDeferredValue, useState } from 'react';
import { useNavigate } from 'react-router';
import { Popover } from 'radix-ui';
import { parseLineText, type Food, type Line } from '@portiona/core';
import { useFindFoodsQuery } from '../../api/api.gen';
import { asFood } from '../../api/documents';
import { useStation } from '../station';
import { withFood } from '../../features/recipes/editRecipe';

/** The food a line is matched to, and others it could be. */
export function FoodPicker({ line, onPick }: { readonly line: Line; readonly onPick: (line: Line) => void }) {
  const { recipe, here } = useStation();
  const [open, setOpen] = useState(false);
  const food = line.food === undefined ? undefined : here.foodsById.get(line.food);
  const pick = (chosen: Food) => {
    setOpen(false);
    onPick(withFood(line, chosen, here.index, recipe.servings));
  };
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger className={`btn-quiet ${food ? '' : 'bad'}`}>{food ? food.name : 'Choose a food'} ▾</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content className="menu w-[340px]" align="start" sideOffset={4} aria-label="Foods for this line">
          {open && <Choices words={parseLineText(line.text ?? '').foodWords} current={food} onPick={pick} />}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Choices({
  words,
  current,
  onPick,
}: {
  readonly words: string;
  readonly current: Food | undefined;
  readonly onPick: (food: Food) => void;
}) {
  const { here } = useStation();
  const navigate = useNavigate();
  const [sought, setSought] = useState(words);
  const athand = here.index.find(sought, 8).map(({ food }) => food);
  const asked = useDeferredValue(sought.trim());
  const everywhere = useFindFoodsQuery({ q: asked, limit: '8' }, { skip: asked.length < 2 }).data ?? [];
  const further = everywhere.map(({ food }) => asFood(food).document).filter(({ id }) => !here.foodsById.has(id));
  const found = [...athand, ...further.slice(0, 5)];
  return (
    <>
      <input
        className="field w-full mb-1"
        aria-label="Find a food"
        value={sought}
        onChange={({ target }) => setSought(target.value)}
        onKeyDown={(event) => event.key === 'Enter' && found[0] && onPick(found[0])}
        autoFocus
      />
      {found.map((food) => (
        <button key={food.id} className="menu-item" aria-current={food === current} onClick={() => onPick(food)}>
          <span>{food.name}</span>
          <span className="chip">{food.source ?? 'estimate'}</span>
        </button>
      ))}
      {found.length === 0 && <p className="muted px-2 py-1">Nothing like “{sought}” in the pantry.</p>}
      <button className="menu-item btn-quiet" onClick={() => void navigate(`/pantry/new?name=${encodeURIComponent(sought)}`)}>
        Add “{sought}” to the pantry
      </button>
    </>
  );
}
