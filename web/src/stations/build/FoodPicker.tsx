import { useDeferredValue, useState } from 'react';
import { useNavigate } from 'react-router';
import { Popover } from 'radix-ui';
import { parseLineText, type Food, type Line } from '@portiona/core';
import { api, useFindFoodsQuery, type SavedDto } from '../../api/api.gen';
import { useApiDispatch } from '../../api/useApiDispatch';
import { asFood } from '../../api/documents';
import { useStation } from '../station';
import { withFood } from '../../features/recipes/editRecipe';

/** The food a line is matched to, and others it could be. */
export function FoodPicker({ line, onPick }: { readonly line: Line; readonly onPick: (line: Line) => void }) {
  const { recipe, here } = useStation();
  const [open, setOpen] = useState(false);
  const food = line.food === undefined ? undefined : here.foodsById.get(line.food);
  const dispatch = useApiDispatch();
  const pick = (chosen: Food, fetched: SavedDto | undefined) => {
    setOpen(false);
    // A row of an imported table is not at hand until a recipe uses it: from here on it is.
    if (fetched) dispatch(api.util.updateQueryData('listFoods', undefined, (foods) => void foods.push(fetched)));
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
  readonly onPick: (food: Food, fetched: SavedDto | undefined) => void;
}) {
  const { here } = useStation();
  const navigate = useNavigate();
  const [sought, setSought] = useState(words);
  const athand = here.index.find(sought, 8).map(({ food }) => food);
  const asked = useDeferredValue(sought.trim());
  const everywhere = useFindFoodsQuery({ q: asked, limit: '8' }, { skip: asked.length < 2 }).data ?? [];
  const further = new Map(everywhere.filter(({ food }) => !here.foodsById.has(food.id)).map(({ food }) => [food.id, food]));
  const found = [...athand, ...[...further.values()].slice(0, 5).map((food) => asFood(food).document)];
  const pick = (food: Food) => onPick(food, further.get(food.id));
  return (
    <>
      <input
        className="field w-full mb-1"
        aria-label="Find a food"
        value={sought}
        onChange={({ target }) => setSought(target.value)}
        onKeyDown={(event) => event.key === 'Enter' && found[0] && pick(found[0])}
        autoFocus
      />
      {found.map((food) => (
        <button key={food.id} className="menu-item" aria-current={food === current} onClick={() => pick(food)}>
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
