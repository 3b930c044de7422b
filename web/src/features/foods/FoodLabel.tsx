import { useState } from 'react';
import {
  foodEnergyAgreement,
  gramsOfPrintedBasis,
  likelySlip,
  nutrientName,
  nutrientRow,
  per100gOfPrinted,
  printedSalt,
  roundHalfAway,
  sodiumOfPrintedSalt,
  SOURCES,
  STATES,
  type Food,
  type Nutrient,
  type Source,
  type State,
} from '@portiona/core';
import { NumberField } from '../../ui/NumberField';
import { numberText } from '../../ui/numberText';
import { OtherDoubts } from './FoodUses';
import { LabelPaste } from './LabelPaste';
import { Button } from '../../ui/Button';
import { Input } from '../../ui/Input';
import { Select } from '../../ui/Select';
import { Remark } from '../../ui/Remark';
import { Field } from '../../ui/Field';

/** Nutrients of the label, in the order labels have them; indented ones are part of the one before. */
const LABEL: readonly (readonly [Nutrient | 'salt', boolean])[] = [
  ['energyKj', false],
  ['energyKcal', false],
  ['fat', false],
  ['saturates', true],
  ['carbohydrate', false],
  ['sugars', true],
  ['fibre', false],
  ['protein', false],
  ['salt', false],
];
const MORE: readonly Nutrient[] = ['trans', 'cholesterol', 'addedSugars', 'alcohol', 'polyols', 'potassium', 'calcium', 'iron', 'vitaminD'];

interface FoodLabelProps {
  readonly food: Food;
  readonly change: (next: Partial<Food>) => void;
  /** A nutrient that must be in sight. */
  readonly show?: string;
}

/** What a food's label says, typed or pasted, checked against itself as it is written. */
export function FoodLabel({ food, change, show }: FoodLabelProps) {
  const [more, setMore] = useState(false);
  const setNutrient = (nutrient: Nutrient | 'salt', amount: number | null | undefined) =>
    change({
      nutrients: { ...withoutSodium(food, nutrient), [nutrient]: amount },
      // Energy that is typed is no longer what the macronutrients make.
      ...(nutrient === 'energyKcal' || nutrient === 'energyKj' ? { energyIs: undefined } : {}),
    });
  return (
    <>
      <div className="pair mt-2">
        <Choice label="Figures are of it" value={food.state ?? 'as sold'} of={STATES} onChange={(next: State) => change({ state: next })} />
        <Choice
          label="They come from"
          value={food.source ?? 'estimate'}
          of={SOURCES}
          onChange={(next: Source) => change({ source: next })}
        />
      </div>
      {food.source === 'table' && <p className="faint text-small mt-1">Typical values; your product’s label decides.</p>}
      <h2>
        <span>Label</span>
        <Basis food={food} onChange={change} />
      </h2>
      <LabelPaste food={food} onUse={change} />
      {food.per?.unit === 'ml' && food.density === undefined && (
        <NumberField label="Grams in a millilitre: milk 1.03, oil 0.92" amount={undefined} onChange={(density) => change({ density })} />
      )}
      <div className="nutrient-grid">
        {LABEL.map(([nutrient, part]) => (
          <NutrientField key={nutrient} nutrient={nutrient} part={part} food={food} onChange={setNutrient} />
        ))}
        {food.nutrients?.sodium === undefined && (
          <Button kind="quiet" className="text-small text-left" onClick={() => setNutrient('sodium', sodiumOfPrintedSalt(food))}>
            The label says sodium
          </Button>
        )}
        {food.nutrients?.sodium !== undefined && <NutrientField nutrient="sodium" part={false} food={food} onChange={setNutrient} />}
      </div>
      <label className="flex items-center gap-2 text-small muted mt-1.5">
        <input
          type="checkbox"
          checked={food.carbohydrateIs === 'total'}
          onChange={({ target }) => change({ carbohydrateIs: target.checked ? 'total' : undefined })}
        />
        Carbohydrate on this label includes the fibre
      </label>
      <EnergyCheck food={food} />
      <OtherDoubts food={food} />
      <Button kind="quiet" className="mt-2 text-small" aria-expanded={more} onClick={() => setMore(!more)}>
        {more ? 'Fewer nutrients' : 'More nutrients'}
      </Button>
      {(more || MORE.some((nutrient) => nutrient === show)) && (
        <div className="nutrient-grid mt-1">
          {MORE.map((nutrient) => (
            <NutrientField key={nutrient} nutrient={nutrient} part={false} food={food} onChange={setNutrient} />
          ))}
        </div>
      )}
    </>
  );
}

/** Sodium and salt are one thing said twice: writing one takes the other out. */
function withoutSodium(food: Food, written: Nutrient | 'salt'): Food['nutrients'] {
  if (written !== 'salt' && written !== 'sodium') return food.nutrients ?? {};
  const { salt: _, sodium: __, ...rest } = food.nutrients ?? {};
  return rest;
}

function NutrientField({
  nutrient,
  part,
  food,
  onChange,
}: {
  readonly nutrient: Nutrient | 'salt';
  readonly part: boolean;
  readonly food: Food;
  readonly onChange: (nutrient: Nutrient | 'salt', amount: number | null | undefined) => void;
}) {
  const { name, unit } = nutrientRow(nutrient);
  const stands = nutrient === 'salt' ? printedSalt(food) : food.nutrients?.[nutrient];
  const [text, setText] = useState<string>();
  const shown = text ?? (stands === null || stands === undefined ? '' : String(stands));
  const sound = shown.trim() === '' || isAmount(shown);
  return (
    <label className={`nutrient ${part ? 'of' : ''}`}>
      <span className="muted">{name}</span>
      <Input
        data-field={nutrient}
        inputMode="decimal"
        placeholder="unknown"
        value={shown}
        aria-invalid={!sound}
        onChange={({ target }) => {
          setText(target.value);
          if (target.value.trim() === '') onChange(nutrient, undefined);
          else if (isAmount(target.value)) onChange(nutrient, Number(target.value.replace(',', '.')));
        }}
        onBlur={() => setText(undefined)}
      />
      <span className="faint text-small">{unit}</span>
      {per100Text(food, stands) !== '' && <span className="per100">{per100Text(food, stands)}</span>}
    </label>
  );
}

/** The same per 100 g, where the label is for something else. */
function per100Text(food: Food, stands: number | null | undefined): string {
  const per100g = per100gOfPrinted(food, stands);
  return per100g === undefined || gramsOfPrintedBasis(food) === 100 ? '' : `${numberText(per100g, 1)} per 100 g`;
}

function isAmount(text: string): boolean {
  const amount = Number(text.trim().replace(',', '.'));
  return Number.isFinite(amount) && amount >= 0 && amount <= 1e9;
}

/** What the figures are for: 100 g, 100 ml, or so many of a measure. */
function Basis({ food, onChange }: { readonly food: Food; readonly onChange: (next: Partial<Food>) => void }) {
  const { amount, unit } = food.per ?? { amount: 100, unit: 'g' };
  const [text, setText] = useState<string>();
  const units = ['g', 'ml', ...Object.keys(food.measures ?? {})];
  return (
    <span className="flex items-center gap-1 font-normal">
      per
      <Input
        className="w-16 text-right"
        style={{ padding: '1px 5px' }}
        aria-label="Amount the label is for"
        inputMode="decimal"
        value={text ?? String(amount)}
        onChange={({ target }) => {
          setText(target.value);
          const next = Number(target.value.replace(',', '.'));
          if (Number.isFinite(next) && next > 0) onChange({ per: { amount: next, unit } });
        }}
        onBlur={() => setText(undefined)}
      />
      <Select
        style={{ padding: '1px 4px' }}
        aria-label="Unit the label is for"
        value={unit}
        onChange={({ target }) => onChange({ per: { amount, unit: target.value } })}
      >
        {units.map((one) => (
          <option key={one}>{one}</option>
        ))}
      </Select>
    </span>
  );
}

/** Declared against factored energy, as it is typed. */
function EnergyCheck({ food }: { readonly food: Food }) {
  const agreement = foodEnergyAgreement(food);
  const basis = gramsOfPrintedBasis(food);
  if (!agreement || !basis) return <Remark tone="none">○ Energy is checked once energy, protein, fat and carbohydrate are there.</Remark>;
  const { declared, factored, difference, agrees } = agreement;
  if (food.energyIs === 'factored' && agrees)
    return (
      <Remark tone="warn">
        △ Its source gave no energy that holds: these {numberText(declared, 0)} kcal are what its macronutrients make.
      </Remark>
    );
  const sums = `label ${numberText(declared, 0)}, macros make ${numberText(factored, 0)} kcal per 100 g`;
  if (agrees)
    return (
      <Remark>
        <span aria-hidden>✓</span> Energy and macros agree: {sums}.
      </Remark>
    );
  const slip = likelySlip(food);
  return (
    <Remark tone="bad" role="alert">
      <span aria-hidden>✕</span>
      <span>
        {numberText(Math.abs(difference), 0)} kcal too {difference > 0 ? 'much' : 'little'}: {sums}.
        {slip &&
          ` Check the ${nutrientName(slip.nutrient).toLowerCase()}: ${slip.typed} would have to be about ${roundHalfAway(slip.would, 0.1)}.`}
      </span>
    </Remark>
  );
}

function Choice<Word extends string>({
  label,
  value,
  of,
  onChange,
}: {
  readonly label: string;
  readonly value: Word;
  readonly of: readonly Word[];
  readonly onChange: (next: Word) => void;
}) {
  return (
    <Field label={label}>
      <Select value={value} onChange={({ target }) => onChange(of.find((word) => word === target.value) ?? value)}>
        {of.map((word) => (
          <option key={word}>{word}</option>
        ))}
      </Select>
    </Field>
  );
}
