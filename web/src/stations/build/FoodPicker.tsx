import { useDeferredValue, useMemo, useState } from 'react';
import {
  effectsOf,
  lineText,
  parseLineText,
  recipeFigures,
  type Food,
  type Line,
  type Recipe,
  type RecipeFigures,
  type ReusablePart,
} from '@portiona/core';
import { api, useFindFoodsQuery, type SavedFoodDto } from '../../api/api.gen';
import { useApiDispatch } from '../../api/useApiDispatch';
import { useStation } from '../station';
import { PartChoices } from '../../features/subRecipes/PartChoices';
import { useReusableParts } from '../../features/subRecipes/useReusableParts';
import { useTakePart } from '../../features/subRecipes/useTakePart';
import { effectWords } from '../../features/fit/fitWords';
import type { LoadedKitchen } from '../../features/kitchen/useKitchen';
import { withFood, withPart } from '../../features/recipes/editRecipe';
import { useMay } from '../../features/account/useMe';
import { foodGlance } from '../../features/foods/foodGlance';
import { stepByArrows } from '../../ui/stepByArrows';
import { Input } from '../../ui/Input';
import { Chip } from '../../ui/Chip';
import { Button } from '../../ui/Button';
import { DropPanel } from '../../ui/DropPanel';
import { MenuItem } from '../../ui/Menu';
import { later } from '../../ui/later';
import { Arriving } from '../../ui/Arriving';

const { View: NewFood } = later(async () => ({ default: (await import('../../features/foods/NewFood')).NewFood }));

/** The food a line is matched to, and others it could be. */
export function FoodPicker({ line, onPick }: { readonly line: Line; readonly onPick: (line: Line) => void }) {
  const { recipe, here } = useStation();
  const [open, setOpen] = useState(false);
  const [adding, setAdding] = useState<string>();
  const food = line.food === undefined ? undefined : here.foodsById.get(line.food);
  const taken = here.parts.find((part) => part.recipe === line.recipe && part.part === line.part);
  const dispatch = useApiDispatch();
  const pick = (chosen: Food, fetched: SavedFoodDto | undefined, otherWords: boolean) => {
    setOpen(false);
    // A row of an imported table is not at hand until a recipe uses it: from here on it is.
    if (fetched) dispatch(api.util.updateQueryData('listFoods', undefined, (foods) => [...foods, fetched]));
    onPick(swapped(line, chosen, otherWords, here, recipe));
  };
  const take = (next: Line) => {
    setOpen(false);
    onPick(next);
  };
  const add = (added: SavedFoodDto) => {
    setAdding(undefined);
    pick(added.document, added, false);
  };
  return (
    <>
      <DropPanel
        trigger={
          <Button kind="quiet" className={food || line.recipe !== undefined ? '' : 'bad'}>
            {food?.name ?? taken?.name ?? 'Choose a food'} ▾
          </Button>
        }
        open={open}
        onOpenChange={setOpen}
        className="w-[340px]"
        label="Foods for this line"
      >
        {open && (
          <Choices
            line={line}
            words={parseLineText(line.text ?? '').foodWords}
            current={food}
            onPick={pick}
            onTake={take}
            onAdd={(name) => {
              setOpen(false);
              setAdding(name);
            }}
          />
        )}
      </DropPanel>
      {adding !== undefined && (
        <Arriving>
          <NewFood
            name={adding}
            text={line.text ?? ''}
            taken={new Set(here.foodsById.keys())}
            onClose={() => setAdding(undefined)}
            onAdded={add}
          />
        </Arriving>
      )}
    </>
  );
}

/** Whether words could mean a food: another onion is still an onion, rice is no lentil. */
function isMeantBy(words: string, food: Food, here: LoadedKitchen): boolean {
  return here.index.find(words, MOST_MEANT).some((one) => one.food.id === food.id);
}

/** Foods that words are thought to mean, nearest first. */
const MOST_MEANT = 20;

/** The line with another food; one that its words cannot mean is called by its own name from then on. */
function swapped(line: Line, food: Food, otherWords: boolean, here: LoadedKitchen, recipe: Recipe): Line {
  const next = withFood(line, food, here, recipe);
  if (!otherWords || line.food === undefined || line.food === food.id) return next;
  const { text: _, ...bare } = next;
  return { ...bare, text: lineText(bare, food) };
}

function Choices({
  line,
  words,
  current,
  onPick,
  onTake,
  onAdd,
}: {
  readonly line: Line;
  readonly words: string;
  readonly current: Food | undefined;
  readonly onPick: (food: Food, fetched: SavedFoodDto | undefined, otherWords: boolean) => void;
  /** A part of another recipe is taken instead. */
  readonly onTake: (line: Line) => void;
  /** A food of this name is to be added to the pantry. */
  readonly onAdd: (name: string) => void;
}) {
  const { recipe, here } = useStation();
  const showsCosts = useMay('costs');
  const [sought, setSought] = useState(words);
  const rivals = sought === words ? rivalsOf(line, here) : [];
  const athand = [...new Set([...rivals, ...here.index.find(sought, 8).map(({ food }) => food)])].slice(0, 9);
  const asked = useDeferredValue(sought.trim());
  const everywhere = useFindFoodsQuery({ q: asked, limit: '8' }, { skip: asked.length < 2 }).data ?? [];
  const further = new Map(everywhere.filter(({ food }) => !here.foodsById.has(food.id)).map(({ food }) => [food.id, food]));
  const found = [...athand, ...[...further.values()].slice(0, 5).map((food) => food.document)];
  const pick = (food: Food) => onPick(food, further.get(food.id), !isMeantBy(words, food, here));
  const parts = useReusableParts(recipe.id);
  const takePart = useTakePart();
  const take = async (part: ReusablePart) => {
    if (await takePart(part)) onTake(withPart(line.text ?? '', part, recipe.servings));
  };
  const effects = useSwapEffects(line, current ? athand : []);
  return (
    <div onKeyDown={stepByArrows}>
      <Input
        className="w-full mb-1"
        aria-label="Find a food"
        value={sought}
        onChange={({ target }) => setSought(target.value)}
        onKeyDown={(event) => event.key === 'Enter' && found[0] && pick(found[0])}
        autoFocus
      />
      {found.map((food) => (
        <MenuItem key={food.id} aria-current={food === current} onClick={() => pick(food)}>
          <span>
            {food.name}
            <span className="block text-small muted">{foodGlance(food, here.kitchen, showsCosts)}</span>
            {effects.has(food.id) && <span className="block text-small muted">{effects.get(food.id)}</span>}
          </span>
          <Chip>{food.source ?? 'estimate'}</Chip>
        </MenuItem>
      ))}
      {sought.trim() !== '' && (
        <PartChoices parts={parts} sought={sought} most={MOST_PARTS} here={here} among onPick={(part) => void take(part)} />
      )}
      {found.length === 0 && <p className="muted px-2 py-1">Nothing like “{sought}” in the pantry.</p>}
      <Button kind="quiet" className="menu-item" onClick={() => onAdd(sought)}>
        Add “{sought}” to the pantry
      </Button>
    </div>
  );
}

/** What the words could mean besides, where they leave a doubt. */
function rivalsOf(line: Line, here: LoadedKitchen): readonly Food[] {
  const reading = here.index.read(parseLineText(line.text ?? ''));
  return reading?.sureness === 'unsure' ? [reading.food, ...reading.rivals] : [];
}

/** Parts of other recipes shown beside the foods. */
const MOST_PARTS = 3;

/** What each food would change in a serving of the whole dish, stood in the line's place, in words; none for the food that is there. */
function useSwapEffects(line: Line, foods: readonly Food[]): ReadonlyMap<string, string> {
  const { recipe, here, computed } = useStation();
  const key = foods.map(({ id }) => id).join(' ');
  return useMemo(() => {
    const before = computed.ok ? computed.figures : undefined;
    if (!before) return new Map();
    return new Map(
      key
        .split(' ')
        .filter((id) => id !== '' && id !== line.food)
        .map((id) => [id, effectWords(effectsOf(before, figuresWith(recipe, line, id, here), here.kitchen), here.kitchen)]),
    );
  }, [key, line, recipe, here, computed]);
}

function figuresWith(recipe: Recipe, line: Line, id: string, here: LoadedKitchen): RecipeFigures {
  const food = here.foodsById.get(id);
  const next = food ? withFood(line, food, here, recipe) : line;
  const parts = recipe.parts.map((part) => ({ ...part, lines: part.lines.map((one) => (one === line ? next : one)) }));
  return recipeFigures({ ...recipe, parts }, here.kitchen);
}
