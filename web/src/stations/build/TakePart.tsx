import { useState } from 'react';
import { Plus } from 'lucide-react';
import { PartChoices, partsFor } from '../../features/subRecipes/PartChoices';
import { useReusableParts } from '../../features/subRecipes/useReusableParts';
import { useTakePart } from '../../features/subRecipes/useTakePart';
import { withPart } from '../../features/recipes/editRecipe';
import type { Line, ReusablePart } from '@portiona/core';
import { useStation } from '../station';
import { Input } from '../../ui/Input';
import { stepByArrows } from '../../ui/stepByArrows';
import { DropPanel } from '../../ui/DropPanel';
import { Button } from '../../ui/Button';

/** Most parts shown at once. */
const MOST = 12;

/** Adds a line that takes a part of another recipe: as many of its servings as this recipe has. */
export function TakePart({ onTake }: { readonly onTake: (line: Line) => void }) {
  const { recipe, here } = useStation();
  const [open, setOpen] = useState(false);
  const [sought, setSought] = useState('');
  const parts = useReusableParts(recipe.id, !open);
  const take = useTakePart();
  const pick = async (part: ReusablePart) => {
    if (!(await take(part))) return;
    setOpen(false);
    setSought('');
    onTake(withPart('', part, recipe.servings));
  };
  const first = partsFor(parts, sought, 1)[0];
  return (
    <DropPanel
      trigger={
        <Button>
          <Plus size={14} /> From another recipe
        </Button>
      }
      open={open}
      onOpenChange={setOpen}
      className="w-[380px] max-h-[360px]"
      side="top"
      label="Parts of other recipes"
    >
      <div onKeyDown={stepByArrows}>
        <Input
          className="w-full mb-1"
          aria-label="Find a part of another recipe"
          placeholder="Find a base, a sauce, a topping"
          value={sought}
          onChange={({ target }) => setSought(target.value)}
          onKeyDown={(event) => event.key === 'Enter' && first && void pick(first)}
          autoFocus
        />
        <PartChoices parts={parts} sought={sought} most={MOST} here={here} onPick={(part) => void pick(part)} />
      </div>
      {!first && (
        <p className="muted px-2 py-1">{sought === '' ? 'No other recipe has a part to take.' : `No part is called like “${sought}”.`}</p>
      )}
    </DropPanel>
  );
}
