import { useMemo } from 'react';
import { useMay } from '../account/useMe';
import {
  computed,
  dayText,
  lineText,
  placedLines,
  plannedBatch,
  sumFromText,
  type Batch,
  type BatchEdit,
  type Kitchen,
  type Line,
  type PlacedLine,
} from '@portiona/core';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { Discarded } from '../cook/Discarded';
import { OneMore } from '../cook/OneMore';
import { PhotoField } from '../photos/PhotoField';
import { Kept } from './Kept';
import { PaidPacks } from './PaidPacks';
import { TakeFromStock } from './TakeFromStock';
import { PartWeighed } from './PartWeighed';
import { NumberField } from '../../ui/NumberField';
import { numberText } from '../../ui/numberText';

interface BatchMeasuredProps {
  readonly batch: Batch;
  readonly kitchen: Kitchen;
  readonly onEdit: (edit: BatchEdit) => void;
}

/** What was measured and said of a batch: each is kept as it is written, and may be written otherwise at any time. */
export function BatchMeasured({ batch, kitchen, onEdit }: BatchMeasuredProps) {
  const showsCosts = useMay('costs');
  const planned = useMemo(() => computed(() => plannedBatch(batch, kitchen)), [batch, kitchen]);
  if (!planned.ok) return <p className="bad">What was planned cannot be worked out: {planned.because}.</p>;
  const { recipe } = planned.made;
  const say = (head: Extract<BatchEdit, { do: 'say' }>['head']) => onEdit({ do: 'say', head });
  return (
    <div className="measured">
      <div className="measured-head">
        <Field label="Cooked on">
          <Input
            type="date"
            value={batch.date}
            onChange={({ target }) => /^\d{4}-\d{2}-\d{2}$/.test(target.value) && say({ date: target.value })}
          />
        </Field>
        <NumberField
          label={recipe.servingName === undefined ? 'Servings' : 'Boxes'}
          amount={recipe.servings}
          onChange={(servings) => servings !== undefined && Number.isInteger(servings) && say({ servings })}
        />
        <Kept label="By" value={batch.by ?? ''} most={120} onKeep={(by) => say({ by: by === '' ? null : by })} />
        <NumberField
          label="Minutes at the stove"
          amount={batch.minutes?.active}
          onChange={(active) => say({ minutes: minutesWith(batch, { active }) })}
        />
        <NumberField
          label="Minutes in all"
          amount={batch.minutes?.total}
          onChange={(total) => say({ minutes: minutesWith(batch, { total }) })}
        />
        <Tasted rating={batch.rating} onRate={(rating) => say({ rating })} />
      </div>
      <Kept
        label="Note: how it was, what was different"
        value={batch.note ?? ''}
        most={2000}
        long
        onKeep={(note) => say({ note: note === '' ? null : note })}
      />
      <PhotoField
        photo={batch.photo}
        of={`${recipe.title}, ${dayText(batch.date, false)}`}
        onPhoto={(photo) => onEdit(photo ? { do: 'photo', photo } : { do: 'no photo' })}
      >
        {batch.photo && (
          <Kept
            label="What can be seen on it, for whoever does not see it"
            value={batch.photo.alt ?? ''}
            most={300}
            long
            said={batch.photo.alt === undefined ? 'Not said yet.' : ''}
            onKeep={(alt) => batch.photo && onEdit({ do: 'photo', photo: { id: batch.photo.id, ...(alt === '' ? {} : { alt }) } })}
          />
        )}
      </PhotoField>
      <TakeFromStock batch={batch.id} />
      <h2>What came out</h2>
      <div className="measured-head">
        {recipe.parts.map((part) => (
          <PartWeighed
            key={part.id}
            name={part.name}
            came={batch.parts?.find((one) => one.part === part.id) ?? { part: part.id }}
            portion={part.portion?.by}
            vessels={kitchen.settings.vessels}
            onEdit={onEdit}
          />
        ))}
      </div>
      <h2>What went in</h2>
      <table className="went-in">
        <thead>
          <tr>
            <th>ingredient</th>
            <th className="num">planned, edible g</th>
            <th>weighed</th>
            <th>before trimming</th>
            <th>
              <span className="sr">Otherwise</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {placedLines(recipe).map((placed) => (
            <LineWeighed
              key={placed.at}
              placed={placed}
              batch={batch}
              kitchen={kitchen}
              grams={planned.made.grams.get(placed.at)}
              onEdit={onEdit}
            />
          ))}
        </tbody>
      </table>
      <More batch={batch} kitchen={kitchen} onEdit={onEdit} />
      <OneMore recipe={recipe} kitchen={kitchen} say={onEdit} />
      <Discarded batch={batch} recipe={recipe} kitchen={kitchen} say={onEdit} />
      {showsCosts && <PaidPacks batch={batch} kitchen={kitchen} onEdit={onEdit} />}
    </div>
  );
}

function minutesWith(
  batch: Batch,
  change: { readonly active?: number | undefined; readonly total?: number | undefined },
): NonNullable<Batch['minutes']> {
  const all = Object.entries({ ...batch.minutes, ...change }).filter(([, minutes]) => minutes !== undefined);
  return Object.fromEntries(all);
}

interface LineWeighedProps {
  readonly placed: PlacedLine;
  readonly batch: Batch;
  readonly kitchen: Kitchen;
  readonly grams: number | undefined;
  readonly onEdit: (edit: BatchEdit) => void;
}

function LineWeighed({ placed: { at, line }, batch, kitchen, grams, onEdit }: LineWeighedProps) {
  const done = batch.lines?.find((one) => 'at' in one && one.at === at);
  const name = nameOf(line, kitchen);
  const isOut = done !== undefined && 'out' in done;
  const instead = done && 'food' in done ? (kitchen.food(done.food)?.name ?? done.food) : undefined;
  const weighed = done && 'grams' in done ? done.grams : undefined;
  const before = done && 'trimmedFrom' in done ? done.trimmedFrom : undefined;
  const keep = (now: number | undefined, from: number | undefined) => {
    if (now === undefined) return onEdit({ do: 'as planned', at });
    if (done && 'food' in done) return onEdit({ do: 'line', line: { ...done, at, grams: now } as Extract<typeof done, { at: string }> });
    const as = done && 'as' in done && done.as !== undefined ? { as: done.as } : {};
    onEdit({ do: 'line', line: { at, grams: now, ...as, ...(from === undefined ? {} : { trimmedFrom: from }) } });
  };
  return (
    <tr className={isOut ? 'left-out' : ''}>
      <td>
        {name}
        {instead !== undefined && <span className="block text-small warn">▲ {instead} instead</span>}
        {done && 'as' in done && done.as === 'AP' && <span className="block text-small muted">as bought</span>}
      </td>
      <td className="num">{grams === undefined ? '?' : numberText(grams, grams < 20 ? 1 : 0)}</td>
      <td>
        {isOut ? (
          <span className="warn">left out</span>
        ) : (
          <Kept
            label={`Weighed, g: ${name}`}
            hidden
            value={weighed === undefined ? '' : String(weighed)}
            most={40}
            check={gramsFault}
            onKeep={(text) => keep(gramsOf(text), before)}
          />
        )}
      </td>
      <td>
        {!isOut && instead === undefined && weighed !== undefined && (
          <Kept
            label={`Before trimming, g: ${name}`}
            hidden
            value={before === undefined ? '' : String(before)}
            most={40}
            said={before === undefined || before <= weighed ? '' : `${numberText(100 * (1 - weighed / before), 1)} % lost`}
            check={gramsFault}
            onKeep={(text) => keep(weighed, gramsOf(text))}
          />
        )}
      </td>
      <td>
        <Button
          kind="quiet"
          className="text-small"
          aria-label={isOut ? `It was in: ${name}` : `Left out: ${name}`}
          onClick={() => onEdit(isOut ? { do: 'as planned', at } : { do: 'line', line: { at, out: true } })}
        >
          {isOut ? 'It was in' : 'Left out'}
        </Button>
      </td>
    </tr>
  );
}

/** What went in that the recipe does not have. */
function More({ batch, kitchen, onEdit }: BatchMeasuredProps) {
  const more = (batch.lines ?? []).flatMap((line) => ('part' in line ? [line] : []));
  if (more.length === 0) return null;
  return (
    <p className="text-compact mt-2">
      Went in as well:{' '}
      {more.map((line, i) => (
        <span key={i}>
          {i > 0 && ', '}
          {numberText(line.grams, 0)} g {kitchen.food(line.food)?.name ?? line.food}{' '}
          <Button
            kind="quiet"
            aria-label={`It was not in: ${kitchen.food(line.food)?.name ?? line.food}`}
            onClick={() => onEdit({ do: 'no more', line })}
          >
            it was not
          </Button>
        </span>
      ))}
    </p>
  );
}

function Tasted({ rating, onRate }: { readonly rating: number | undefined; readonly onRate: (rating: number | null) => void }) {
  return (
    <fieldset className="tasted">
      <legend>Tasted</legend>
      {[1, 2, 3, 4, 5].map((one) => (
        <button
          key={one}
          type="button"
          aria-pressed={rating === one}
          aria-label={`${one} of 5`}
          className={rating !== undefined && one <= rating ? 'full' : ''}
          onClick={() => onRate(rating === one ? null : one)}
        >
          {one}
        </button>
      ))}
    </fieldset>
  );
}

function nameOf(line: Line, kitchen: Kitchen): string {
  return line.text ?? lineText(line, line.food === undefined ? undefined : kitchen.food(line.food));
}

/** Grams as they are written, a sum too; undefined where nothing is. */
function gramsOf(text: string): number | undefined {
  return text === '' ? undefined : sumFromText(text);
}

function gramsFault(text: string): string | undefined {
  const grams = gramsOf(text);
  return text === '' || (grams !== undefined && grams >= 0) ? undefined : `“${text}” is no weight`;
}
