import { useState } from 'react';
import { measureOf, type Food } from '@portiona/core';
import { NumberField } from '../../ui/NumberField';
import { Input } from '../../ui/Input';
import { Button } from '../../ui/Button';

/** What one cup, clove or piece of the food weighs, and how much of it is eaten. */
export function FoodMeasures({ food, onChange }: { readonly food: Food; readonly onChange: (next: Partial<Food>) => void }) {
  const [name, setName] = useState('');
  const measures = Object.entries(food.measures ?? {});
  const write = (measure: string, grams: number | undefined) => {
    const { [measure]: _, ...rest } = food.measures ?? {};
    const next = grams === undefined ? rest : { ...food.measures, [measure]: grams };
    const edible = Array.isArray(food.measuresAre) ? food.measuresAre.filter((one) => one in next) : food.measuresAre;
    onChange({ measures: Object.keys(next).length === 0 ? undefined : next, measuresAre: edible?.length === 0 ? undefined : edible });
  };
  const setEdible = (measure: string, edible: boolean) => {
    const all = food.measuresAre === 'edible' ? Object.keys(food.measures ?? {}) : [...(food.measuresAre ?? [])];
    const next = edible ? [...all, measure] : all.filter((one) => one !== measure);
    onChange({ measuresAre: next.length === 0 ? undefined : next });
  };
  return (
    <>
      <h2>
        <span>Weights</span>
      </h2>
      <div className="pair">
        <NumberField label="Grams in a millilitre" amount={food.density} onChange={(density) => onChange({ density })} />
        <NumberField label="Cooked weight of 1 g" amount={food.yield} onChange={(cooked) => onChange({ yield: cooked })} />
        <NumberField
          label="Percent not eaten: peel, bone"
          amount={percent(food.refuse)}
          onChange={(share) => onChange({ refuse: share === undefined ? undefined : Math.min(99.9, share) / 100 })}
        />
        <NumberField
          label="Percent left when drained"
          amount={percent(food.drained)}
          onChange={(share) => onChange({ drained: share === undefined ? undefined : share / 100 })}
        />
      </div>
      <div className="grid grid-cols-[1fr_84px_auto] gap-x-3 gap-y-1 mt-2 items-end" data-field="measures" tabIndex={-1}>
        {measures.map(([measure, grams]) => (
          <div key={measure} className="contents">
            <span className="muted self-center">one {measure}</span>
            <NumberField label="grams" amount={grams} onChange={(next) => write(measure, next)} />
            <label className="flex gap-1 items-center text-small muted pb-1.5">
              <input
                type="checkbox"
                checked={measureOf(food, measure)?.edible ?? false}
                onChange={({ target }) => setEdible(measure, target.checked)}
              />{' '}
              ready to eat
            </label>
          </div>
        ))}
        <Input
          placeholder="piece, cup, slice"
          aria-label="New measure"
          maxLength={60}
          value={name}
          onChange={({ target }) => setName(target.value)}
        />
        <Button
          disabled={name.trim() === '' || measureOf(food, name.trim()) !== undefined}
          onClick={() => {
            write(name.trim(), 100);
            setName('');
          }}
        >
          Add
        </Button>
      </div>
    </>
  );
}

function percent(share: number | undefined): number | undefined {
  return share === undefined ? undefined : Math.round(share * 1000) / 10;
}
