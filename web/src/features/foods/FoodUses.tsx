import { useState } from 'react';
import { IfMay } from '../account/IfMay';
import { Link, useNavigate } from 'react-router';
import { dayText, foodDoubts, type Food } from '@portiona/core';
import {
  useArchiveFoodMutation,
  useFoodHistoryQuery,
  useFoodUsesQuery,
  useRemoveFoodMutation,
  useRestoreFoodMutation,
} from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { numberText } from '../../ui/numberText';
import { useToast } from '../../ui/Toasts';
import { FoodMerge } from './FoodMerge';
import { Button } from '../../ui/Button';
import { Remark } from '../../ui/Remark';

/** Where a food is used, what it was before, and the ways to copy it and to put it away. */
export function FoodUses({ food }: { readonly food: Food }) {
  const uses = useFoodUsesQuery({ id: food.id }, { refetchOnMountOrArgChange: true }).data ?? [];
  const history = useFoodHistoryQuery({ id: food.id }, { refetchOnMountOrArgChange: true }).data ?? [];
  const [merging, setMerging] = useState(false);
  const navigate = useNavigate();
  const say = useToast();
  const [archive] = useArchiveFoodMutation();
  const [restore] = useRestoreFoodMutation();
  const [remove] = useRemoveFoodMutation();
  const take = async (act: () => Promise<unknown>, told: string, undo?: () => void) => {
    try {
      await act();
      await navigate('/pantry');
      say(told, undo && { label: 'Undo', run: undo });
    } catch (error) {
      say(problemText(problemOf(error)));
    }
  };
  return (
    <>
      <h2>
        <span>Used in</span>
        <span className="font-normal faint">{uses.length === 1 ? '1 recipe' : `${uses.length} recipes`}</span>
      </h2>
      <p className="grid gap-0.5">
        {uses.map(({ id, title }) => (
          <Link key={id} className="hover:underline font-serif py-0.5" to={`/recipes/${id}/build`}>
            {title}
          </Link>
        ))}
        {uses.length === 0 && <span className="muted">No recipe uses it.</span>}
      </p>
      {history.length > 1 && (
        <>
          <h2>
            <span>What it was</span>
          </h2>
          <ol className="text-small grid gap-0.5">
            {history
              .slice(0, 8)

              .map(({ revision: number, savedAt, document }) => (
                <li key={number} className={number === history[0]?.revision ? '' : 'muted'}>
                  {dayText(savedAt.slice(0, 10), true)}: {energyText(document)}
                  {number === history[0]?.revision && ', as it stands'}
                </li>
              ))}
          </ol>
        </>
      )}
      <p className="flex gap-2 mt-4">
        <IfMay right="edit">
          <Button onClick={() => void navigate(`/pantry/new?like=${food.id}`)}>Another like it</Button>
        </IfMay>
        <Button onClick={() => void navigate(`/pantry/compare?foods=${food.id}`)}>Compare</Button>
        <IfMay right="edit">
          <Button onClick={() => setMerging(true)}>Merge</Button>
          {uses.length > 0 ? (
            <Button
              className="ml-auto"
              onClick={() =>
                void take(
                  () => archive({ id: food.id }).unwrap(),
                  'Put away; the recipes that use it keep it.',
                  () => void restore({ id: food.id }),
                )
              }
            >
              Put away
            </Button>
          ) : (
            <Button
              className="ml-auto"
              onClick={() => void take(() => remove({ id: food.id }).unwrap(), `${food.name} is taken out of the pantry.`)}
            >
              Take out
            </Button>
          )}
        </IfMay>
      </p>
      {merging && <FoodMerge food={food} onClose={() => setMerging(false)} />}
    </>
  );
}

function energyText({ nutrients = {} }: Food): string {
  const of = (name: string, amount: number | null | undefined) =>
    amount === undefined || amount === null ? '' : `${name} ${numberText(amount, amount < 10 ? 1 : 0)}`;
  return (
    [
      of('energy', nutrients.energyKcal),
      of('protein', nutrients.protein),
      of('carbohydrate', nutrients.carbohydrate),
      of('fat', nutrients.fat),
    ]
      .filter(Boolean)
      .join(', ') || 'no figures'
  );
}

/** What cannot be right beside the energy, which has its own line. */
export function OtherDoubts({ food }: { readonly food: Food }) {
  return (
    <>
      {foodDoubts(food)
        .filter(({ code }) => code !== 'energy-mismatch')
        .map(({ code, field, message }) => (
          <Remark key={`${code} ${field} ${message}`} tone="bad" role="alert">
            <span aria-hidden>✕</span> {message}
          </Remark>
        ))}
    </>
  );
}
