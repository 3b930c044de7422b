import { useState } from 'react';
import { servedOf, servingsForPortion, type Kitchen, type Recipe, type RecipeFigures } from '@portiona/core';
import { numberText } from '../../ui/numberText';
import { useToast } from '../../ui/Toasts';
import { scaledTo } from '../recipes/editRecipe';
import { recipeActions } from '../recipes/recipeSlice';
import { useAppDispatch } from '../recipes/useRecipeState';
import { countText, type ServingNames } from '../../ui/servingNames';
import { Input } from '../../ui/Input';
import { Field } from '../../ui/Field';
import { Button } from '../../ui/Button';

interface ByPortionProps {
  readonly recipe: Recipe;
  readonly figures: RecipeFigures;
  readonly kitchen: Kitchen;
  readonly names: ServingNames;
  readonly snap: boolean;
}

/** A serving of a weight: the same batch shared by another number, or the batch made larger or smaller for the same number. */
export function ByPortion({ recipe, figures, kitchen, names, snap }: ByPortionProps) {
  const now = figures.perServing.weight;
  const [text, setText] = useState(String(Math.round(now)));
  const dispatch = useAppDispatch();
  const say = useToast();
  const portion = Number(text.replace(',', '.'));
  const sound = Number.isFinite(portion) && portion > 0;
  const shared = sound ? servingsForPortion(recipe, portion, kitchen) : 0;
  const cooked = figures.parts.reduce((sum, part) => sum + (servedOf(part.part) === 'box' ? part.cooked : 0), 0);
  const whole = Math.max(1, Math.round(shared));
  // The amounts of so many servings at today's size, shared by as many as there are now, give the portion.
  const batch = sound && now > 0 ? (recipe.servings * portion) / now : 0;
  const share = () => {
    dispatch(recipeActions.edited({ recipe: { ...recipe, servings: whole } }));
    say(`The same batch makes ${countText(whole, names)} now. Ctrl Z takes it back.`);
  };
  const enlarge = () => {
    dispatch(recipeActions.edited({ recipe: { ...scaledTo(recipe, batch, kitchen, snap), servings: recipe.servings } }));
    say(`A ${names.one} weighs about ${numberText(portion, 0)} g now. Ctrl Z takes it back.`);
  };
  return (
    <>
      <Field label={<>Grams in a {names.one}</>} className="w-[150px]">
        <Input className="num" inputMode="decimal" value={text} aria-invalid={!sound} onChange={({ target }) => setText(target.value)} />
      </Field>
      {sound && now > 0 && (
        <div className="grid gap-1.5 mt-2 justify-items-start">
          <Button disabled={whole === recipe.servings} onClick={share}>
            Share the same batch by {countText(whole, names)}: {numberText(cooked / whole, 0)} g each
          </Button>
          <Button disabled={batch < 1 || Math.abs(batch - recipe.servings) < 0.005} onClick={enlarge}>
            Keep {countText(recipe.servings, names)}, and cook {numberText((batch / recipe.servings) * 100, 0)} % of the batch
          </Button>
        </div>
      )}
    </>
  );
}
