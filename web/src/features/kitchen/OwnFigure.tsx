import { useState } from 'react';
import { formulaTrouble, INDEX_FIGURES } from '@portiona/core';
import type { IndexDto } from '../../api/api.gen';
import { Input } from '../../ui/Input';
import { Field } from '../../ui/Field';
import { TextArea } from '../../ui/TextArea';
import { Button } from '../../ui/Button';

interface OwnFigureProps {
  readonly index: IndexDto | undefined;
  readonly onChange: (index: IndexDto | null) => void;
}

/** The kitchen's own figure of a serving: what it is called, how it is reckoned, how it is rounded. */
export function OwnFigure({ index, onChange }: OwnFigureProps) {
  const [name, setName] = useState(index?.name ?? '');
  const [formula, setFormula] = useState(index?.formula ?? '');
  const [step, setStep] = useState(index?.step === undefined ? '' : String(index.step));
  const trouble = formulaTrouble(formula);
  const sound = trouble === undefined;
  const to = Number(step.replace(',', '.'));
  const stepSound = step.trim() === '' || (Number.isFinite(to) && to > 0);
  const next: IndexDto = { name: name.trim(), formula: formula.trim(), ...(step.trim() === '' ? {} : { step: to }) };
  const changed = next.name !== index?.name || next.formula !== index.formula || next.step !== index.step;
  return (
    <fieldset className="grid gap-2">
      <legend className="muted mb-1">A figure of the kitchen’s own, of a serving; it is saved when you press</legend>
      <span className="flex gap-2 flex-wrap">
        <Field label="What it is called" className="flex-1 min-w-[110px]">
          <Input placeholder="Crew points" maxLength={80} value={name} onChange={({ target }) => setName(target.value)} />
        </Field>
        <Field label="Rounded to multiples of" className="w-[150px]">
          <Input
            className="num"
            placeholder="not rounded"
            inputMode="decimal"
            aria-invalid={!stepSound}
            value={step}
            onChange={({ target }) => setStep(target.value)}
          />
        </Field>
      </span>
      <Field label="How it is reckoned">
        <TextArea
          rows={2}
          aria-describedby="own-figure-says"
          placeholder="energyKcal / 50 + fat / 12 - min(fibre, 4) / 5"
          maxLength={500}
          aria-invalid={formula.trim() !== '' && !sound}
          value={formula}
          onChange={({ target }) => setFormula(target.value)}
        />
      </Field>
      <p id="own-figure-says" className={`text-small ${formula.trim() !== '' && !sound ? 'bad' : 'faint'}`} role="status">
        {formula.trim() !== '' && !sound ? sentence(trouble) : `Of + − * /, min, max, abs and: ${INDEX_FIGURES.join(', ')}.`}
      </p>
      <span className="flex gap-2">
        <Button type="button" kind="main" disabled={!changed || !sound || !stepSound || name.trim() === ''} onClick={() => onChange(next)}>
          Reckon it
        </Button>
        {index && (
          <Button
            type="button"

            onClick={() => {
              onChange(null);
              setName('');
              setFormula('');
              setStep('');
            }}
          >
            Do without it
          </Button>
        )}
      </span>
    </fieldset>
  );
}

function sentence(text: string): string {
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;
}
