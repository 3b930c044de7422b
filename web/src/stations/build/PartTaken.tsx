import { Link } from 'react-router';
import { parseLineText, type Line, type LineFigures } from '@portiona/core';
import { takenText } from '../../features/subRecipes/partWords';
import { useReusableParts } from '../../features/subRecipes/useReusableParts';
import { useTakePart } from '../../features/subRecipes/useTakePart';
import { withPart } from '../../features/recipes/editRecipe';
import { useStation } from '../station';
import { Chip } from '../../ui/Chip';
import { Button } from '../../ui/Button';
import { ChipButton } from '../../ui/ChipButton';

/** Under a line that takes a part of another recipe: how much of it that is, and the way there. */
export function PartTaken({ figures: { of, weights } }: { readonly figures: LineFigures }) {
  const { here } = useStation();
  if (of.kind !== 'part') return null;
  const part = here.parts.find((one) => one.recipe === of.recipe.id && one.part === of.part.part.id);
  return (
    <>
      {part && weights && <Chip>{takenText(weights.grams, part)}</Chip>}
      <Button asChild kind="quiet">
        <Link to={`/recipes/${of.recipe.id}/build`}>
          Open<span className="sr"> {of.recipe.title}</span>
        </Link>
      </Button>
    </>
  );
}

/** Words and a part's name this near are the same name; a word in common is not enough to offer it. */
const SAME_NAME = 0.9;

/** Under a line that no food was found for: the part of another recipe that is called so. */
export function PartOffered({ text, onTake }: { readonly text: string; readonly onTake: (line: Line) => void }) {
  const { recipe } = useStation();
  const { index } = useReusableParts(recipe.id);
  const take = useTakePart();
  const [best] = index.find(parseLineText(text).foodWords, 1);
  if (!best || best.score < SAME_NAME) return null;
  return (
    <ChipButton
      tone="warn"
      onClick={() => void take(best.food).then((athand) => athand && onTake(withPart(text, best.food, recipe.servings)))}
    >
      ▲ {best.food.name}, from that recipe?
    </ChipButton>
  );
}
