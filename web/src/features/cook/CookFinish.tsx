import { useState } from 'react';
import { useNavigate } from 'react-router';
import { netOf, type Batch, type BatchEdit, type Kitchen, type Recipe } from '@portiona/core';
import { numberText } from '../../ui/numberText';
import { AnotherFood } from './AnotherFood';
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

/** What was thrown away: fat that was drained, bones, marinade left; it takes its energy with it. */
function Discarded({
  batch,
  recipe,
  kitchen,
  say,
}: {
  readonly batch: Batch;
  readonly recipe: Recipe;
  readonly kitchen: Kitchen;
  readonly say: (edit: BatchEdit) => void;
}) {
  const [part, setPart] = useState<string>();
  const own = batch.discards ?? [];
  const planned = recipe.parts.filter(({ discards }) => (discards ?? []).length > 0);
  return (
    <details className="cook-more" open={own.length > 0}>
      <summary>Thrown away: fat, bones, marinade{own.length > 0 ? `, ${own.length}` : ''}</summary>
      {planned.length > 0 && own.length === 0 && (
        <p className="muted">
          As the recipe has it: {planned.map(({ name }) => name).join(', ')}. What is weighed here stands in its place.
        </p>
      )}
      {own.map((one) => (
        <p key={`${one.part} ${one.food}`}>
          {numberText(one.grams, 0)} g {kitchen.food(one.food)?.name ?? one.food} from{' '}
          {recipe.parts.find(({ id }) => id === one.part)?.name ?? one.part}{' '}
          <button type="button" className="cook-plain" onClick={() => say({ do: 'discard', part: one.part, food: one.food })}>
            it was not
          </button>
        </p>
      ))}
      {recipe.parts
        .filter(({ lines }) => lines.length > 0)
        .map(({ id, name }) => (
          <button
            key={id}
            type="button"
            className="cook-plain"
            aria-expanded={part === id}
            onClick={() => setPart(part === id ? undefined : id)}
          >
            From {name}
          </button>
        ))}
      {part !== undefined && (
        <AnotherFood
          label="Thrown away"
          kitchen={kitchen}
          grams={undefined}
          onTake={(food, grams) => {
            say({ do: 'discard', part, food, grams });
            setPart(undefined);
          }}
        />
      )}
    </details>
  );
}
