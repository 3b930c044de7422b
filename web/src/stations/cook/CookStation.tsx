import { newUuid } from '../../api/newUuid';
import { IfMay } from '../../features/account/IfMay';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import {
  fitVessel,
  partVolume,
  recipeFigures,
  longSteps,
  scaledRecipe,
  timedSteps,
  variantRecipe,
  type Batch,
  type Recipe,
} from '@portiona/core';
import { useCreateBatchMutation, useLogBatchesQuery } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { NumberField } from '../../ui/NumberField';
import { Remark } from '../../ui/Remark';
import { Select } from '../../ui/Select';
import { numberText } from '../../ui/numberText';
import { servingNames } from '../../ui/servingNames';
import { dayOf } from '../../ui/timeText';
import { useToast } from '../../ui/Toasts';
import { stepWords } from '@portiona/core';
import { batchDay } from '../../features/batches/batchWords';
import { useStation } from '../station';
import './cookStation.css';

/** Where a batch is begun: for how many boxes, which variant, and what that takes of pots and of time. */
export function CookStation() {
  const { recipe, here } = useStation();
  const [servings, setServings] = useState(recipe.servings);
  const [variant, setVariant] = useState('');
  const [by, setBy] = useState('');
  const [create, { isLoading }] = useCreateBatchMutation();
  const log = useLogBatchesQuery({ recipe: recipe.id }, { refetchOnMountOrArgChange: true }).data;
  const navigate = useNavigate();
  const say = useToast();
  const cooking = (log ?? []).filter((one) => one.cooking);
  const cooked = log?.filter((one) => !one.cooking);
  const named = recipe.variants?.find(({ name }) => name === variant);
  const told = toldOf(named ? variantRecipe(recipe, named) : recipe, servings, here.kitchen);
  const begin = async () => {
    const now = new Date();
    const document: Batch = {
      ...{ id: `b-${dayOf(now)}-${newUuid().slice(0, 8)}`, recipe: recipe.id, date: dayOf(now), servings },
      ...(named ? { variant: named.name } : {}),
      ...(by.trim() === '' ? {} : { by: by.trim() }),
      cooking: { begun: now.toISOString(), step: 0 },
    };
    try {
      const { id } = await create({ newBatchDto: { document } }).unwrap();
      await navigate(`/cook/${id}`);
    } catch (error) {
      say(problemText(problemOf(error)));
    }
  };
  const { many } = servingNames(recipe);
  const whole = Number.isInteger(servings) && servings >= 1;
  return (
    <div className="sheet cook-begin">
      {cooking.map((one) => (
        <Remark key={one.id} tone="warn" role="status">
          <span aria-hidden>▸</span>
          <span>
            A batch of {batchDay(one.date)}
            {one.by === null ? '' : `, ${one.by}’s,`} is being cooked.{' '}
            <Link className="underline" to={`/cook/${one.id}`}>
              Go on with it
            </Link>
          </span>
        </Remark>
      ))}
      <h2>Cook this</h2>
      <div className="cook-begin-fields">
        <NumberField
          label={many.charAt(0).toUpperCase() + many.slice(1)}
          amount={servings}
          onChange={(count) => setServings(count ?? recipe.servings)}
        />
        {(recipe.variants?.length ?? 0) > 0 && (
          <Field label="Which way">
            <Select value={variant} onChange={({ target }) => setVariant(target.value)}>
              <option value="">the dish as it is</option>
              {recipe.variants?.map(({ name }) => (
                <option key={name} value={name}>
                  {name}
                </option>
              ))}
            </Select>
          </Field>
        )}
        <Field label="Who cooks">
          <Input value={by} maxLength={120} onChange={({ target }) => setBy(target.value)} />
        </Field>
      </div>
      {!whole && <p className="bad">✕ A batch is cooked for a whole number.</p>}
      {told.map((one) => (
        <p key={one} className="warn">
          ▲ {one}
        </p>
      ))}
      {(recipe.steps ?? []).length === 0 && (
        <p className="muted">The method has no steps yet: everything is got out, and weighed when it is done.</p>
      )}
      <IfMay right="cook">
        <Button kind="main" className="cook-begin-main" disabled={isLoading || !whole} onClick={() => void begin()}>
          Begin the batch
        </Button>
      </IfMay>
      {cooked && (
        <p className="muted">
          {cooked.length === 0
            ? 'It was not cooked yet.'
            : `Cooked ${cooked.length === 1 ? 'once' : `${cooked.length} times`}, last ${batchDay(cooked[0]?.date ?? '')}.`}{' '}
          <Link className="underline" to={`/batches/${recipe.id}`}>
            Its batches
          </Link>
        </p>
      )}
      <Ahead recipe={recipe} />
    </div>
  );
}

/** What is to be known before it is begun: vessels that are too small, and what has to be started long before. */
function toldOf(recipe: Parameters<typeof recipeFigures>[0], servings: number, kitchen: Parameters<typeof recipeFigures>[1]): string[] {
  if (!Number.isInteger(servings) || servings < 1) return [];
  try {
    const sized = scaledRecipe(recipe, servings, kitchen).recipe;
    const vessels = recipeFigures(sized, kitchen).parts.flatMap((part) => {
      const fit = part.part.vessel && fitVessel(partVolume(part), part.part.vessel);
      return fit && fit.says !== '' ? [`${part.part.name}: ${fit.says}`] : [];
    });
    const early = longSteps(sized);
    return [
      ...vessels,
      ...early.map(
        ({ step: { number }, minutes }) =>
          `Step ${number} takes ${minutes === undefined ? 'a night' : `${numberText(minutes / 60, minutes % 60 === 0 ? 0 : 1)} hours`}: it is to be begun before.`,
      ),
    ];
  } catch {
    return [];
  }
}

/** What is ahead: each step with its time, how long it binds the cook, and what it holds. */
function Ahead({ recipe }: { readonly recipe: Recipe }) {
  const steps = timedSteps(recipe).filter(({ step }) => step.text.trim() !== '');
  if (steps.length === 0) return null;
  const byHand = steps.reduce((sum, { hands }) => sum + hands, 0);
  return (
    <section className="ahead" aria-label="What is ahead">
      <h3>
        What is ahead <span className="muted">{byHand} min by hand; what nobody said is read from the words, in italics</span>
      </h3>
      <ol>
        {steps.map(({ number, step, minutes, hands, uses, read }) => (
          <li key={number}>
            <span className="ahead-words">{stepWords(step.text)}</span>
            <span className={read.has('minutes') ? 'num italic' : 'num'}>{minutes} min</span>
            <span className={read.has('hands') ? 'muted italic' : 'muted'}>
              {[hands === minutes ? 'by hand' : hands === 0 ? 'by itself' : `${hands} by hand`, ...uses.map(({ name }) => name)].join(', ')}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
