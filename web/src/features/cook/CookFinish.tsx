import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { Batch, BatchEdit, Recipe } from '@portiona/core';
import { PartWeighed } from '../batches/PartWeighed';

/** The pots on the scale, and how long it took: then it is cooked. */
export function CookFinish({
  batch,
  recipe,
  say,
}: {
  readonly batch: Batch;
  readonly recipe: Recipe;
  readonly say: (edit: BatchEdit) => void;
}) {
  const navigate = useNavigate();
  const [now] = useState(() => Date.now());
  const elapsed = batch.cooking ? Math.max(1, Math.round((now - Date.parse(batch.cooking.begun)) / 60_000)) : 0;
  const finish = () => {
    say({
      do: 'finish',
      minutes: { ...batch.minutes, ...(elapsed < 24 * 60 && batch.minutes?.total === undefined ? { total: elapsed } : {}) },
    });
    void navigate(`/portion/${batch.id}`);
  };
  return (
    <div className="cook-body">
      <p className="cook-said">Weigh what came out</p>
      {recipe.parts.map((part) => (
        <div className="cook-weight" key={part.id}>
          <PartWeighed
            name={part.name}
            came={batch.parts?.find((one) => one.part === part.id) ?? { part: part.id }}
            portion={part.portion?.by}
            onEdit={say}
          />
        </div>
      ))}
      <p className="muted">
        {elapsed >= 24 * 60
          ? 'It was begun more than a day ago: how long it took is not noted. '
          : batch.minutes?.total === undefined
            ? `${elapsed} min since it was begun: noted as the minutes in all, until you say otherwise. `
            : ''}
        A part that is not weighed counts as estimated.
      </p>
      <button type="button" className="cook-main" onClick={finish}>
        It is cooked
      </button>
    </div>
  );
}
