import { useState } from 'react';
import { FILL_LIMITS, fitVessel, partVolume, servingsInVessel, type Recipe, type RecipeFigures, type Vessel } from '@portiona/core';
import { NumberField } from '../../ui/NumberField';
import { numberText, percentText } from '../../ui/numberText';
import { replacePart } from '../recipes/editRecipe';
import { recipeActions } from '../recipes/recipeSlice';
import { useAppDispatch } from '../recipes/useRecipeState';
import { countText, type ServingNames } from '../../ui/servingNames';
import { Select } from '../../ui/Select';
import { Field } from '../../ui/Field';
import { Remark } from '../../ui/Remark';
import { Button } from '../../ui/Button';

interface ByVesselProps {
  readonly recipe: Recipe;
  readonly figures: RecipeFigures;
  readonly names: ServingNames;
  readonly onServings: (servings: number) => void;
}

/** Millilitres that vessels of a kind usually hold. */
const USUAL_CAPACITY: Readonly<Record<keyof typeof FILL_LIMITS, number>> = {
  'slow cooker': 4500,
  pot: 5000,
  'oven dish': 3000,
  'pressure cooker': 6000,
};
/** More pots than any kitchen has. */
const MOST_VESSELS = 50;
const KINDS = Object.keys(FILL_LIMITS) as (keyof typeof FILL_LIMITS)[];

/** What each part is cooked in, whether it fits, and how many servings fill it once. */
export function ByVessel({ recipe, figures, names, onServings }: ByVesselProps) {
  const [at, setAt] = useState(0);
  const dispatch = useAppDispatch();
  const part = recipe.parts[at] ?? recipe.parts[0];
  const made = figures.parts[at] ?? figures.parts[0];
  const volume = made ? partVolume(made) : 0;
  if (!part) return null;
  const { vessel } = part;
  const write = (next: Vessel | undefined) => dispatch(recipeActions.edited({ recipe: replacePart(recipe, at, { vessel: next }) }));
  const fit = vessel && volume > 0 ? fitVessel(volume, vessel) : undefined;
  const most = vessel && volume > 0 ? servingsInVessel(volume / recipe.servings, vessel) : 0;
  return (
    <>
      <div className="flex gap-2 items-end flex-wrap">
        <Field label="Part">
          <Select value={at} onChange={({ target }) => setAt(Number(target.value))}>
            {recipe.parts.map(({ id, name }, i) => (
              <option key={id} value={i}>
                {name}
              </option>
            ))}
          </Select>
        </Field>
        <Field label="Cooked in">
          <Select
            value={vessel?.name ?? ''}
            onChange={({ target }) => {
              const kind = KINDS.find((one) => one === target.value);
              write(kind && { ...vessel, name: kind, capacity: vessel?.capacity ?? USUAL_CAPACITY[kind], fillLimit: FILL_LIMITS[kind] });
            }}
          >
            <option value="">nothing said</option>
            {vessel && !(KINDS as readonly string[]).includes(vessel.name) && <option>{vessel.name}</option>}
            {KINDS.map((kind) => (
              <option key={kind}>{kind}</option>
            ))}
          </Select>
        </Field>
        {vessel && (
          <>
            <div className="w-[130px]">
              <NumberField
                label="Millilitres to the brim"
                amount={vessel.capacity}
                onChange={(capacity) => capacity && write({ ...vessel, capacity })}
              />
            </div>
            <div className="w-[80px]">
              <NumberField
                label="Of them"
                amount={vessel.count ?? 1}
                onChange={(count) => {
                  const { count: _, ...one } = vessel;
                  if (count !== undefined && Number.isInteger(count) && count >= 1 && count <= MOST_VESSELS)
                    write(count === 1 ? one : { ...one, count });
                }}
              />
            </div>
            <div className="w-[110px]">
              <NumberField
                label="Filled to, %"
                amount={Math.round(vessel.fillLimit * 1000) / 10}
                onChange={(percent) => percent && percent <= 100 && write({ ...vessel, fillLimit: percent / 100 })}
              />
            </div>
          </>
        )}
      </div>
      {vessel && fit && (
        <>
          <Remark tone={fit.says === '' ? undefined : 'warn'} className="mt-2">
            <span aria-hidden>{fit.says === '' ? '✓' : '▲'}</span>{' '}
            {fit.says === ''
              ? `About ${numberText(volume, 0)} ml fill the ${vessel.name} to ${percentText(fit.fill)}: it fits.`
              : `About ${numberText(volume, 0)} ml: ${fit.says}`}
          </Remark>
          <p className="mt-2">
            <Button disabled={most < 1} onClick={() => onServings(most)}>
              {most < 1 ? `Not one ${names.one} fits` : `Fill ${(vessel.count ?? 1) === 1 ? 'it' : 'them'} once: ${countText(most, names)}`}
            </Button>
          </p>
        </>
      )}
    </>
  );
}
