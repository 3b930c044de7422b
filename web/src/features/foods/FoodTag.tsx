import { useEffect, useRef, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { X } from 'lucide-react';
import { namedAllergens, ALLERGENS, type Allergen, type Food, type Kitchen } from '@portiona/core';
import { usePacksOfFoodQuery, type SavedFoodDto } from '../../api/api.gen';
import { noteVisit } from '../recent/recentPlaces';
import { FoodUses } from './FoodUses';
import { FoodLabel } from './FoodLabel';
import { FoodName } from './FoodName';
import { FoodNotice } from './FoodNotice';
import { FoodMeasures } from './FoodMeasures';
import { FoodPacks } from './FoodPacks';
import { OnlyLooking } from '../account/OnlyLooking';
import { useFoodDraft } from './useFoodDraft';
import { Button } from '../../ui/Button';
import { ChipButton } from '../../ui/ChipButton';

interface FoodTagProps {
  /** Undefined: a food to be added. */
  readonly saved: SavedFoodDto | undefined;
  /** What a food to be added is to be like, to begin with. */
  readonly like?: Food | undefined;
  readonly kitchen: Kitchen;
  readonly taken: ReadonlySet<string>;
}

/** A food's own sheet: its label with the energy check beside it, what one weighs, and what it costs where. */
export function FoodTag({ saved, like, kitchen, taken }: FoodTagProps) {
  const navigate = useNavigate();
  const [search] = useSearchParams();
  const draft = useFoodDraft(saved, taken, started(search.get('name') ?? '', like), ({ id }) => void navigate(`/pantry/${id}`));
  const { food, change, state, add } = draft;
  const seen = usePacksOfFoodQuery({ id: saved?.id ?? '' }, { skip: !saved }).data;
  const ref = useRef<HTMLElement>(null);
  const [id, name] = [saved?.id, saved?.document.name];
  useEffect(() => {
    if (id !== undefined && name !== undefined) noteVisit({ to: `/pantry/${id}`, name });
  }, [id, name]);
  const show = search.get('show');
  // A working sent the person here for one figure: put them at it.
  useEffect(() => {
    if (show !== null) ref.current?.querySelector<HTMLElement>(`[data-field="${show}"]`)?.focus();
  }, [show]);
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
        <FoodName
          name={food.name}
          onChange={(name) => change({ name })}
          onEnter={() => ref.current?.querySelector<HTMLElement>('[data-field="energyKj"]')?.focus()}
          autoFocus={!saved}
        />
        <span
          className={`text-small pt-2 whitespace-nowrap ${state.kind === 'trouble' || state.kind === 'stale' ? 'bad' : 'faint'}`}
          role="status"
        >
          {saved &&
            { saved: `Saved, revision ${saved.revision}`, waiting: 'Writing', saving: 'Saving', trouble: 'Not saved', stale: 'Not saved' }[
              state.kind
            ]}
        </span>
        <Button kind="icon" aria-label="Close" onClick={() => void navigate('/pantry')}>
          <X size={16} />
        </Button>
      </div>
      <OnlyLooking what="food" />
      <FoodNotice draft={draft} isNew={saved === undefined} />
      <FoodLabel food={food} change={change} {...(show === null ? {} : { show })} />
      {!saved && (
        <p className="mt-4 flex gap-3 items-center">
          <Button kind="main" disabled={food.name.trim() === ''} onClick={() => void add()}>
            Add to the pantry
          </Button>
          <span className="faint text-small">
            or <kbd>Ctrl Enter</kbd>; measures and packs come next.
          </span>
        </p>
      )}
      {saved && (
        <>
          {seen && (
            <FoodPacks
              food={food}
              packs={seen.filter(({ putAwayAt }) => putAwayAt === null)}
              away={seen.filter(({ putAwayAt }) => putAwayAt !== null)}
              kitchen={kitchen}
            />
          )}
          <FoodMeasures food={food} onChange={change} />
          <Allergens food={food} of="allergens" onChange={change} />
          <Allergens food={food} of="mayContain" onChange={change} />
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

interface AllergensProps {
  readonly food: Food;
  /** What is in it, or what may have come into it where it was made. */
  readonly of: 'allergens' | 'mayContain';
  readonly onChange: (next: Partial<Food>) => void;
}

function Allergens({ food, of, onChange }: AllergensProps) {
  const has = new Set(food[of] ?? []);
  const [open, setOpen] = useState(of === 'allergens');
  const named = namedAllergens(has).join(', ');
  const title = of === 'allergens' ? 'Allergens' : 'May contain';
  const toggle = (allergen: Allergen) => {
    const next = ALLERGENS.filter((one) => (one === allergen ? !has.has(one) : has.has(one)));
    onChange({ [of]: next.length === 0 ? undefined : next });
  };
  return (
    <>
      <h2>
        <span>{title}</span>
        {open ? (
          <span className="font-normal faint">{named || 'none listed'}</span>
        ) : (
          <Button
            kind="quiet"
            className="text-small font-normal"
            aria-label={`May contain: ${named || 'none listed'}`}
            onClick={() => setOpen(true)}
          >
            {named || 'none listed'} ▾
          </Button>
        )}
      </h2>
      {open && (
        <div className="flex flex-wrap gap-1" role="group" aria-label={title}>
          {ALLERGENS.map((allergen) => (
            <ChipButton
              key={allergen}
              tone={has.has(allergen) ? 'warn' : undefined}
              aria-pressed={has.has(allergen)}
              onClick={() => toggle(allergen)}
            >
              {has.has(allergen) && '✓ '}
              {allergen.replace('-', ' ')}
            </ChipButton>
          ))}
        </div>
      )}
    </>
  );
}
