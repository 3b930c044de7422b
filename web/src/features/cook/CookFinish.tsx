import { useState } from 'react';
import { useNavigate } from 'react-router';
import { netOf, type Batch, type BatchEdit, type Kitchen, type Recipe } from '@portiona/core';
import { numberText } from '../../ui/numberText';
import { Discarded } from './Discarded';
import { OneMore } from './OneMore';
import type { OnScale } from './WeighRow';
import { PartWeighed } from '../batches/PartWeighed';

/** The pots on the scale, and how long it took: then it is cooked. */
export function CookFinish({
  batch,
  recipe,
  kitchen,
  say,
  onScale,
}: {
  readonly batch: Batch;
  readonly recipe: Recipe;
  readonly kitchen: Kitchen;
  readonly say: (edit: BatchEdit) => void;
  readonly onScale: OnScale;
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
      {recipe.parts
        .filter(({ lines }) => lines.length > 0)
        .map((part) => {
          const came = batch.parts?.find((one) => one.part === part.id);
          const net = came && netOf(came);
          const lies = onScale.live && onScale.key === `part ${part.id}`;
          return (
            <div className={`cook-weight ${lies ? 'on-scale' : ''}`} key={part.id}>
              {onScale.live && (
                <button type="button" className="weigh-name" aria-pressed={lies} onClick={() => onScale.onTarget(`part ${part.id}`)}>
                  {part.name}{' '}
                  <span className="weigh-grams ok">{net !== undefined ? `${numberText(net, 0)} g` : lies ? 'on the scale' : ''}</span>
                </button>
              )}
              <PartWeighed
                name={part.name}
                came={came ?? { part: part.id }}
                portion={part.portion?.by}
                vessels={kitchen.settings.vessels}
                onEdit={say}
              />
            </div>
          );
        })}
      <OneMore recipe={recipe} kitchen={kitchen} say={say} />
      <Discarded batch={batch} recipe={recipe} kitchen={kitchen} say={say} />
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
