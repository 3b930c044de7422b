import { useMemo, useState } from 'react';
import { CircularRatioError, recipeFigures, effectsOf, type Kitchen, type Recipe, type RecipeFigures } from '@portiona/core';
import { SidePanel } from '../../ui/SidePanel';
import { useToast } from '../../ui/Toasts';
import { numberText } from '../../ui/numberText';
import { effectWords } from '../fit/fitWords';
import { scaledTo, usuallyScaled } from '../recipes/editRecipe';
import { recipeActions } from '../recipes/recipeSlice';
import { TracedFigure } from '../recipes/TracedFigure';
import { useAppDispatch } from '../recipes/useRecipeState';
import { ByPack } from './ByPack';
import { ByPortion } from './ByPortion';
import { ByVessel } from './ByVessel';
import { ScaledLines } from './ScaledLines';
import { SizeInWords } from './SizeInWords';
import { withSizeWords } from './sizeWords';
import { VesselsAt } from './VesselsAt';
import { countText, servingNames } from '../../ui/servingNames';
import { Remark } from '../../ui/Remark';
import { Button } from '../../ui/Button';
import { Input } from '../../ui/Input';
import { Field } from '../../ui/Field';
import { Segmented } from '../../ui/Segmented';
import './scaling.css';

interface ScalePanelProps {
  readonly recipe: Recipe;
  readonly figures: RecipeFigures;
  readonly kitchen: Kitchen;
  readonly onClose: () => void;
}

const WAYS = [
  ['boxes', 'So many'],
  ['pack', 'What I have'],
  ['portion', 'A weight'],
  ['vessel', 'A vessel'],
] as const;

/** Scaling in place: where to, what each line becomes by its rule, and what snapping to measures costs. */
export function ScalePanel({ recipe, figures, kitchen, onClose }: ScalePanelProps) {
  const [way, setWay] = useState<(typeof WAYS)[number][0]>('boxes');
  const [servings, setServings] = useState(recipe.servings);
  const [snap, setSnap] = useState(true);
  const dispatch = useAppDispatch();
  const say = useToast();
  const [follows, setFollows] = useState(true);
  // At its own size nothing is scaled, and no rule is written into anything.
  const ruled = useMemo(() => (servings === recipe.servings ? recipe : usuallyScaled(recipe, kitchen)), [recipe, servings, kitchen]);
  const trial = useMemo(() => tried(ruled, servings, kitchen, snap), [ruled, servings, kitchen, snap]);
  const names = servingNames(recipe);
  const scaled = trial.recipe;
  const take = () => {
    if (!scaled) return;
    dispatch(recipeActions.edited({ recipe: follows ? withSizeWords(scaled, recipe.servings, servings) : scaled }));
    say(`For ${countText(servings, names)} now. Ctrl Z takes it back.`);
  };
  return (
    <SidePanel label="Scale" subject={way} onClose={onClose} className="fitting">
      <h2>Scale to</h2>
      <Segmented label="Ways to scale" className="my-2" value={way} options={WAYS} onChange={setWay} />
      {way === 'boxes' && <ByServings servings={servings} many={names.many} onServings={setServings} />}
      {way === 'pack' && (
        <ByPack recipe={usuallyScaled(recipe, kitchen)} figures={figures} kitchen={kitchen} names={names} onServings={setServings} />
      )}
      {way === 'portion' && <ByPortion recipe={recipe} figures={figures} kitchen={kitchen} names={names} snap={snap} />}
      {way === 'vessel' && <ByVessel recipe={recipe} figures={figures} names={names} onServings={setServings} />}
      {trial.trouble !== undefined && (
        <Remark tone="bad" role="alert">
          {trial.trouble}
        </Remark>
      )}
      <p className="flex gap-4 items-center mt-3">
        <Button kind="main" disabled={!scaled || scaled === recipe} onClick={take}>
          Make it {countText(servings, names)}
        </Button>
        <label className="flex gap-2 items-center text-compact">
          <input type="checkbox" checked={snap} onChange={({ target }) => setSnap(target.checked)} />
          Snap to what people can measure
        </label>
      </p>
      {trial.says !== '' && (
        <p className="text-compact mt-1">
          <TracedFigure figure="energyKcal" figures={trial.figures} of={`the dish for ${countText(servings, names)}`} className="muted">
            {trial.says}
          </TracedFigure>
        </p>
      )}
      <VesselsAt figures={trial.figures ?? figures} />
      {servings !== recipe.servings && (
        <SizeInWords recipe={recipe} servings={servings} names={names} follows={follows} onFollows={setFollows} />
      )}
      <ScaledLines recipe={recipe} ruled={ruled} figures={figures} kitchen={kitchen} servings={servings} scaled={scaled} />
    </SidePanel>
  );
}

function ByServings({
  servings,
  many,
  onServings,
}: {
  readonly servings: number;
  readonly many: string;
  readonly onServings: (servings: number) => void;
}) {
  const [text, setText] = useState<string>();
  return (
    <Field label={many} className="w-[120px]">
      <Input
        className="num"
        inputMode="decimal"
        value={text ?? numberText(servings, Number.isInteger(servings) ? 0 : 2)}
        onChange={({ target }) => {
          setText(target.value);
          const next = Number(target.value.replace(',', '.'));
          if (Number.isFinite(next) && next >= 1 && next <= 10_000) onServings(next);
        }}
        onBlur={() => setText(undefined)}
      />
    </Field>
  );
}

interface Trial {
  readonly recipe: Recipe | undefined;
  /** Of the dish scaled; undefined where it is as it was. */
  readonly figures: RecipeFigures | undefined;
  readonly trouble: string | undefined;
  /** What scaling, and snapping, changes in a serving. */
  readonly says: string;
}

/** Scales, and holds the serving against what it was: rules that are not proportional change it. */
function tried(recipe: Recipe, servings: number, kitchen: Kitchen, snap: boolean): Trial {
  try {
    const scaled = scaledTo(recipe, servings, kitchen, snap);
    if (scaled === recipe) return { recipe, figures: undefined, trouble: undefined, says: '' };
    const before = recipeFigures(recipe, kitchen);
    const exact = recipeFigures(scaledTo(recipe, servings, kitchen, false), kitchen);
    const rules = effectWords(effectsOf(before, exact, kitchen), kitchen);
    const figures = snap ? recipeFigures(scaled, kitchen) : exact;
    const drift = snap ? effectWords(effectsOf(exact, figures, kitchen), kitchen) : '';
    const name = recipe.servingName ?? 'serving';
    const says = [
      rules === 'next to nothing' ? `The ${name} stays as it is` : `By the lines’ own rules a ${name} changes by ${rules}`,
      ...(drift === '' ? [] : [`snapping changes it by ${drift}`]),
    ].join('; ');
    return { recipe: scaled, figures, trouble: undefined, says: `${says}.` };
  } catch (error) {
    if (error instanceof CircularRatioError) return { recipe: undefined, figures: undefined, trouble: error.message, says: '' };
    throw error;
  }
}
