import { useState } from 'react';
import { stepOf, stepWords, type Recipe, type Session, type SessionPlan } from '@portiona/core';
import { useListRecipesQuery } from '../../api/api.gen';
import { Button } from '../../ui/Button';
import { DropPanel } from '../../ui/DropPanel';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { MenuItem } from '../../ui/Menu';
import { Select } from '../../ui/Select';
import { DishSwatch } from './DishSwatch';
import { withKeys, withoutDish } from './sessionEdits';
import { at, dishTitle, stepTitle } from './planWords';

interface DishesProps {
  readonly session: Session;
  readonly recipes: readonly Recipe[];
  readonly plan: SessionPlan | undefined;
  readonly onChange: (next: (session: Session) => Session) => void;
}

/** The dishes of a session by pattern and name, with how many boxes and when they are ready; each is changed under its name. */
export function DishesOfSession({ session, recipes, plan, onChange }: DishesProps) {
  return (
    <ul className="plan-dishes">
      {session.dishes.map((dish, i) => {
        const recipe = recipes.find(({ id }) => id === dish.recipe);
        const boxes = dish.boxes ?? recipe?.servings;
        const end = plan?.steps.filter((step) => step.dish === i + 1).reduce((most, step) => Math.max(most, step.end), 0);
        const chosen = Object.values(dish.choose ?? {});
        return (
          <li key={`${dish.recipe}-${i}`}>
            <DishSwatch dish={i + 1} />
            <DropPanel
              label={recipe?.title ?? dish.recipe}
              className="p-3 w-[300px] grid gap-3"
              trigger={
                <button type="button" className="plan-dish">
                  {dishTitle(recipe?.title ?? dish.recipe)}
                </button>
              }
            >
              <Field label={`Boxes (the recipe makes ${recipe?.servings ?? '?'})`}>
                <Input
                  type="number"
                  min={1}
                  max={500}
                  value={boxes ?? ''}
                  onChange={({ target }) => {
                    const wanted = Math.round(Number(target.value));
                    if (wanted >= 1 && wanted <= 500) onChange((one) => withDish(one, i, { ...dish, boxes: wanted }));
                  }}
                />
              </Field>
              {waysOf(recipe).map(({ number, text, ways }) => (
                <Field key={number} label={`Step ${number}, ${stepTitle(text)}`}>
                  <Select
                    value={dish.choose?.[number] ?? ''}
                    onChange={({ target }) => {
                      const { [number]: _, ...others } = dish.choose ?? {};
                      const choose = target.value === '' ? others : { ...others, [number]: target.value };
                      const { choose: __, ...rest } = dish;
                      onChange((one) => withDish(one, i, Object.keys(choose).length === 0 ? rest : { ...rest, choose }));
                    }}
                  >
                    <option value="">as written</option>
                    {ways.map((name) => (
                      <option key={name}>{name}</option>
                    ))}
                  </Select>
                </Field>
              ))}
              <Button onClick={() => onChange((one) => withoutDish(one, i + 1))}>Take it out</Button>
            </DropPanel>
            <span>
              {boxes} {boxes === 1 ? 'box' : 'boxes'}
              {chosen.length > 0 && `, ${chosen.join(', ')}`}
              {end !== undefined && end > 0 && `, ${at(session, end)}`}
            </span>
          </li>
        );
      })}
    </ul>
  );
}

function withDish(session: Session, index: number, dish: Session['dishes'][number]): Session {
  return withKeys(session, { dishes: session.dishes.map((one, i) => (i === index ? dish : one)) });
}

function waysOf(recipe: Recipe | undefined): { readonly number: number; readonly text: string; readonly ways: readonly string[] }[] {
  return (recipe?.steps ?? [])
    .map(stepOf)
    .flatMap(({ text, or = [] }, i) =>
      or.length === 0 ? [] : [{ number: i + 1, text: stepWords(text), ways: or.map(({ name }) => name) }],
    );
}

/** Finds a dish by its title. */
export function AddDish({ onAdd, words = 'Add a dish' }: { readonly onAdd: (recipe: string) => void; readonly words?: string }) {
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState('');
  const recipes = useListRecipesQuery(undefined, { skip: !open }).data ?? [];
  const found = recipes.filter(({ title }) => title.toLowerCase().includes(typed.trim().toLowerCase()));
  return (
    <DropPanel label="Add a dish" className="p-2 w-[330px]" open={open} onOpenChange={setOpen} trigger={<Button>{words} ▾</Button>}>
      <Input value={typed} placeholder="Find a dish" aria-label="Find a dish" autoFocus onChange={({ target }) => setTyped(target.value)} />
      <ul className="session-found">
        {found.slice(0, 40).map(({ id, title }) => (
          <li key={id}>
            <MenuItem
              type="button"
              onClick={() => {
                onAdd(id);
                setOpen(false);
                setTyped('');
              }}
            >
              {title}
            </MenuItem>
          </li>
        ))}
        {found.length === 0 && <li className="muted p-2">No dish is called so.</li>}
      </ul>
    </DropPanel>
  );
}
