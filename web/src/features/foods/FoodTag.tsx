import { useEffect, useRef, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { X } from 'lucide-react';
import {
  foodEnergyAgreement,
  gramsOfPrintedBasis,
  likelySlip,
  namedAllergens,
  NUTRIENT_DESCRIPTIONS,
  per100gOfPrinted,
  printedSalt,
  roundHalfAway,
  sodiumOfPrintedSalt,
  ALLERGENS,
  SOURCES,
  STATES,
  type Allergen,
  type Food,
  type Kitchen,
  type Nutrient,
  type Pack,
  type Source,
  type State,
} from '@portiona/core';
import type { Saved } from '../../api/documents';
import { numberText } from '../../ui/numberText';
import { FoodUses, OtherDoubts } from './FoodUses';
import { LabelPaste } from './LabelPaste';
import { NumberField } from '../../ui/NumberField';
import { FoodMeasures } from './FoodMeasures';
import { FoodPacks } from './FoodPacks';
import { useFoodDraft } from './useFoodDraft';

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

interface FoodTagProps {
  /** Undefined: a food to be added. */
  readonly saved: Saved<Food> | undefined;
  readonly packs: readonly Saved<Pack>[];
  readonly kitchen: Kitchen;
  readonly taken: ReadonlySet<string>;
}

/** A food's own sheet: its label with the energy check beside it, what one weighs, and what it costs where. */
export function FoodTag({ saved, packs, kitchen, taken }: FoodTagProps) {
  const navigate = useNavigate();
  const [search] = useSearchParams();
  const { food, change, state, add } = useFoodDraft(
    saved,
    taken,
    started(search.get('name') ?? '', kitchen.food(search.get('like') ?? '')),
  );
  const [more, setMore] = useState(false);
  const ref = useRef<HTMLElement>(null);
  const show = search.get('show');
  // A working sent the person here for one figure: put them at it.
  useEffect(() => {
    if (show !== null) ref.current?.querySelector<HTMLElement>(`[data-field="${show}"]`)?.focus();
  }, [show]);
  const setNutrient = (nutrient: Nutrient | 'salt', amount: number | null | undefined) =>
    change({ nutrients: { ...withoutSodium(food, nutrient), [nutrient]: amount } });
  return (
    <aside
      className="tag"
      aria-label={saved ? food.name : 'New food'}
      ref={ref}
      onKeyDown={(event) => {
        if (saved || event.key !== 'Enter' || !(event.ctrlKey || event.metaKey) || event.defaultPrevented) return;
        event.preventDefault();
        if (food.name.trim() !== '') void add();
      }}
    >
      <div className="flex items-start gap-2">
        <input
          className="name-field"
          aria-label="Name of the food"
          value={food.name}
          maxLength={200}
          placeholder="Name, as you would find it"
          onChange={({ target }) => change({ name: target.value })}
          onKeyDown={(event) => {
            if (event.key !== 'Enter' || event.ctrlKey || event.metaKey) return;
            event.preventDefault();
            ref.current?.querySelector<HTMLElement>('[data-field="energyKj"]')?.focus();
          }}
          autoFocus={!saved}
        />
        <span className={`text-[12px] pt-2 whitespace-nowrap ${state.kind === 'trouble' ? 'bad' : 'faint'}`} role="status">
          {saved && { saved: `Saved, revision ${saved.revision}`, waiting: 'Writing', saving: 'Saving', trouble: 'Not saved' }[state.kind]}
        </span>
        <button className="icon" aria-label="Close" onClick={() => void navigate('/pantry')}>
          <X size={16} />
        </button>
      </div>
      {state.kind === 'trouble' && (
        <p className="check bad" role="alert">
          {state.text}
        </p>
      )}
      <div className="pair mt-2">
        <Choice label="Figures are of it" value={food.state ?? 'as sold'} of={STATES} onChange={(next: State) => change({ state: next })} />
        <Choice
          label="They come from"
          value={food.source ?? 'estimate'}
          of={SOURCES}
          onChange={(next: Source) => change({ source: next })}
        />
      </div>
      {food.source === 'table' && <p className="faint text-[12px] mt-1">Typical values; your product’s label decides.</p>}
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
          <button className="btn-quiet text-[12.5px] text-left" onClick={() => setNutrient('sodium', sodiumOfPrintedSalt(food))}>
            The label says sodium
          </button>
        )}
        {food.nutrients?.sodium !== undefined && <NutrientField nutrient="sodium" part={false} food={food} onChange={setNutrient} />}
      </div>
      <label className="flex items-center gap-2 text-[12.5px] muted mt-1.5">
        <input
          type="checkbox"
          checked={food.carbohydrateIs === 'total'}
          onChange={({ target }) => change({ carbohydrateIs: target.checked ? 'total' : undefined })}
        />
        Carbohydrate on this label includes the fibre
      </label>
      <EnergyCheck food={food} />
      <OtherDoubts food={food} />
      <button className="btn-quiet mt-2 text-[12.5px]" aria-expanded={more} onClick={() => setMore(!more)}>
        {more ? 'Fewer nutrients' : 'More nutrients'}
      </button>
      {(more || MORE.some((nutrient) => nutrient === show)) && (
        <div className="nutrient-grid mt-1">
          {MORE.map((nutrient) => (
            <NutrientField key={nutrient} nutrient={nutrient} part={false} food={food} onChange={setNutrient} />
          ))}
        </div>
      )}
      {!saved && (
        <p className="mt-4 flex gap-3 items-center">
          <button className="btn btn-main" disabled={food.name.trim() === ''} onClick={() => void add()}>
            Add to the pantry
          </button>
          <span className="faint text-[12.5px]">
            or <kbd>Ctrl Enter</kbd>; measures and packs come next.
          </span>
        </p>
      )}
      {saved && (
        <>
          <FoodPacks food={food} packs={packs} kitchen={kitchen} />
          <FoodMeasures food={food} onChange={change} />
          <Allergens food={food} onChange={change} />
          <FoodUses food={food} />
        </>
      )}
    </aside>
  );
}

/** A new food: empty but for its name, or like another, with everything but its id. */
function started(name: string, like: Food | undefined): Food {
  return like ? { ...like, id: '', name: `${like.name}, another`, source: 'label' } : { id: '', name, source: 'label', nutrients: {} };
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
  const { name, unit } = nutrient === 'salt' ? { name: 'Salt', unit: 'g' } : NUTRIENT_DESCRIPTIONS[nutrient];
  const stands = nutrient === 'salt' ? printedSalt(food) : food.nutrients?.[nutrient];
  const [text, setText] = useState<string>();
  const shown = text ?? (stands === null || stands === undefined ? '' : String(stands));
  const sound = shown.trim() === '' || isAmount(shown);
  return (
    <label className={`nutrient ${part ? 'of' : ''}`}>
      <span className="muted">{name}</span>
      <input
        className="field"
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
      <span className="faint text-[12px]">{unit}</span>
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
      <input
        className="field w-16 text-right"
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
      <select
        className="field"
        style={{ padding: '1px 4px' }}
        aria-label="Unit the label is for"
        value={unit}
        onChange={({ target }) => onChange({ per: { amount, unit: target.value } })}
      >
        {units.map((one) => (
          <option key={one}>{one}</option>
        ))}
      </select>
    </span>
  );
}

/** Declared against factored energy, as it is typed. */
function EnergyCheck({ food }: { readonly food: Food }) {
  const agreement = foodEnergyAgreement(food);
  const basis = gramsOfPrintedBasis(food);
  if (!agreement || !basis) return <p className="check none">○ Energy is checked once energy, protein, fat and carbohydrate are there.</p>;
  const { declared, factored, difference, agrees } = agreement;
  const sums = `label ${numberText(declared, 0)}, macros make ${numberText(factored, 0)} kcal per 100 g`;
  if (agrees)
    return (
      <p className="check">
        <span aria-hidden>✓</span> Energy and macros agree: {sums}.
      </p>
    );
  const slip = likelySlip(food);
  return (
    <p className="check bad" role="alert">
      <span aria-hidden>✕</span>
      <span>
        {numberText(Math.abs(difference), 0)} kcal too {difference > 0 ? 'much' : 'little'}: {sums}.
        {slip &&
          ` Check the ${NUTRIENT_DESCRIPTIONS[slip.nutrient].name.toLowerCase()}: ${slip.typed} would have to be about ${roundHalfAway(slip.would, 0.1)}.`}
      </span>
    </p>
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
    <label className="labelled">
      {label}
      <select className="field" value={value} onChange={({ target }) => onChange(of.find((word) => word === target.value) ?? value)}>
        {of.map((word) => (
          <option key={word}>{word}</option>
        ))}
      </select>
    </label>
  );
}

function Allergens({ food, onChange }: { readonly food: Food; readonly onChange: (next: Partial<Food>) => void }) {
  const has = new Set(food.allergens ?? []);
  const toggle = (allergen: Allergen) => {
    const next = ALLERGENS.filter((one) => (one === allergen ? !has.has(one) : has.has(one)));
    onChange({ allergens: next.length === 0 ? undefined : next });
  };
  return (
    <>
      <h2>
        <span>Allergens</span>
        <span className="font-normal faint">{namedAllergens(has).join(', ') || 'none listed'}</span>
      </h2>
      <div className="flex flex-wrap gap-1" role="group" aria-label="Allergens">
        {ALLERGENS.map((allergen) => (
          <button
            key={allergen}
            className={`chip ${has.has(allergen) ? 'warn' : ''}`}
            aria-pressed={has.has(allergen)}
            onClick={() => toggle(allergen)}
          >
            {has.has(allergen) && '✓ '}
            {allergen.replace('-', ' ')}
          </button>
        ))}
      </div>
    </>
  );
}
