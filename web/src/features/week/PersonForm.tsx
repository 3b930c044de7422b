import { useState } from 'react';
import { X } from 'lucide-react';
import { MEALS, mealsOf, type Meal, type Person, type PersonMeal, type Target } from '@portiona/core';
import {
  useCreatePersonMutation,
  useRemovePersonMutation,
  useSavePersonMutation,
  type SavedPersonDto,
  type WeekDishDto,
} from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { underFreeId } from '../../api/underFreeId';
import { Button } from '../../ui/Button';
import { Chip } from '../../ui/Chip';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { Modal } from '../../ui/Modal';
import { Segmented } from '../../ui/Segmented';
import { Select } from '../../ui/Select';
import { useToast } from '../../ui/Toasts';
import { usualTarget } from '../briefs/briefWords';
import { dishTitle } from '../plan/planWords';
import { TargetFields } from '../briefs/TargetFields';
import { boxesText, MEAL_NAMES } from './weekWords';

interface PersonFormProps {
  /** Left out: somebody new. */
  readonly saved: SavedPersonDto | undefined;
  /** A name to begin with. */
  readonly name?: string;
  readonly others: readonly Person[];
  readonly dishes: readonly WeekDishDto[];
  readonly currency: string;
  readonly onClose: () => void;
  /** Boxes went back onto the shelves of the week that is open. */
  readonly onRemoved: () => void;
}

/** Who somebody is to the week: what a day is to come to, and what they eat at which meal. */
export function PersonForm({ saved, name = '', others, dishes, currency, onClose, onRemoved }: PersonFormProps) {
  const [person, setPerson] = useState<Person>(
    saved?.document ?? { id: '', name, targets: [{ figure: 'energyKcal', is: 'at least', amount: 800 }] },
  );
  const [trouble, setTrouble] = useState<string>();
  const [create, creating] = useCreatePersonMutation();
  const [save, saving] = useSavePersonMutation();
  const [remove] = useRemovePersonMutation();
  const say = useToast();
  const targets = person.targets ?? [];
  const meals = mealsOf(person);
  const withTargets = (next: readonly Target[]) => setPerson({ ...person, targets: next });
  const keep = async () => {
    const document = { ...person, name: person.name.trim(), meals };
    if (document.name === '') return setTrouble('Write a name: the box is told apart by it.');
    try {
      if (saved) await save({ id: saved.id, savePersonDto: { revision: saved.revision, document } }).unwrap();
      else
        await underFreeId(
          document.name,
          others.map(({ id }) => id),
          (id) => create({ newPersonDto: { document: { ...document, id } } }).unwrap(),
        );
      onClose();
    } catch (error) {
      setTrouble(problemText(problemOf(error)));
    }
  };
  return (
    <Modal open onClose={onClose} title={saved ? saved.document.name : 'Who eats from the boxes?'}>
      <form
        className="week-person-form"
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <Field label="Name, as it stands on their boxes">
          <Input
            value={person.name}
            maxLength={80}
            onChange={({ target }) => setPerson({ ...person, name: target.value })}
            autoFocus={!saved}
          />
        </Field>
        <fieldset>
          <legend>What a day’s boxes are to come to</legend>
          {targets.map((target, i) => (
            <div key={i} className="week-target">
              <TargetFields
                target={target}
                currency={currency}
                onChange={(next) => withTargets(targets.map((one, j) => (j === i ? next : one)))}
              />
              <Button
                type="button"
                kind="icon"
                aria-label="Take this target out"
                onClick={() => withTargets(targets.filter((_, j) => j !== i))}
              >
                <X size={14} />
              </Button>
            </div>
          ))}
          <Button type="button" onClick={() => withTargets([...targets, { ...usualTarget('protein'), is: 'at least' }])}>
            Add a target
          </Button>
        </fieldset>
        <fieldset>
          <legend>Meals from boxes</legend>
          {MEALS.map((meal) => (
            <MealWish
              key={meal}
              meal={meal}
              own={meals.find((one) => one.meal === meal)}
              dishes={dishes}
              onChange={(next) =>
                setPerson({
                  ...person,
                  meals: MEALS.flatMap((one) => (one === meal ? (next ?? []) : (meals.find((of) => of.meal === one) ?? []))),
                })
              }
            />
          ))}
        </fieldset>
        {trouble !== undefined && (
          <p className="bad" role="alert">
            ✕ {trouble}
          </p>
        )}
        <div className="week-person-foot">
          <Button kind="main" type="submit" disabled={creating.isLoading || saving.isLoading}>
            Keep
          </Button>
          {saved && (
            <Button
              type="button"
              onClick={() =>
                void remove({ id: saved.id })
                  .unwrap()
                  .then(({ boxes }) => {
                    say(
                      `${saved.document.name} eats from the boxes no more${boxes > 0 ? `; ${boxesText(boxes)} went back onto the shelves` : ''}.`,
                    );
                    onClose();
                    onRemoved();
                  })
                  .catch((error: unknown) => setTrouble(problemText(problemOf(error))))
              }
            >
              Eats from the boxes no more
            </Button>
          )}
        </div>
      </form>
    </Modal>
  );
}

/** How somebody eats one meal: not from a box, where the day needs it, or always; which dishes. */
function MealWish({
  meal,
  own,
  dishes,
  onChange,
}: {
  readonly meal: Meal;
  readonly own: PersonMeal | undefined;
  readonly dishes: readonly WeekDishDto[];
  readonly onChange: (own: PersonMeal | undefined) => void;
}) {
  const wished = own?.dishes ?? [];
  const withDishes = (next: readonly string[]) => {
    if (!own) return;
    const { dishes: _, ...rest } = own;
    onChange(next.length === 0 ? rest : { ...rest, dishes: next });
  };
  const title = (id: string) => dishes.find((one) => one.id === id)?.title ?? `${id} (not there any more)`;
  return (
    <div className="week-wish">
      <b>{MEAL_NAMES[meal]}</b>
      <Segmented
        label={`${MEAL_NAMES[meal]}: when`}
        value={own ? (own.when ?? 'always') : 'never'}
        options={[
          ['never', 'no box'],
          ['if needed', 'if needed'],
          ['always', 'always'],
        ]}
        onChange={(when) => onChange(when === 'never' ? undefined : { ...own, meal, when })}
      />
      {own && (
        <>
          <label className="text-small">
            <input
              type="checkbox"
              checked={own.repeats ?? false}
              onChange={({ target }) => {
                const { repeats: _, ...rest } = own;
                onChange(target.checked ? { ...rest, repeats: true } : rest);
              }}
            />{' '}
            the same day after day is fine
          </label>
          <div className="week-wished">
            {wished.length === 0 && <span className="muted text-small">any dish</span>}
            {wished.map((id) => (
              <Chip key={id}>
                {dishTitle(title(id))}
                <button
                  type="button"
                  aria-label={`${title(id)}: not at this meal`}
                  onClick={() => withDishes(wished.filter((one) => one !== id))}
                >
                  <X size={12} />
                </button>
              </Chip>
            ))}
            <Select
              aria-label={`${MEAL_NAMES[meal]}: only these dishes`}
              value=""
              onChange={({ target }) => target.value !== '' && withDishes([...wished, target.value])}
            >
              <option value="">{wished.length === 0 ? 'only some dishes …' : 'one more …'}</option>
              {dishes
                .filter(({ id }) => !wished.includes(id))
                .map(({ id, title: name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
            </Select>
          </div>
        </>
      )}
    </div>
  );
}
