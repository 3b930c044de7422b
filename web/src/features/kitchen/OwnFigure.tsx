import { useState } from 'react';
import { formulaTrouble, INDEX_FIGURES } from '@portiona/core';
import type { IndexDto } from '../../api/api.gen';

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
        <label className="labelled flex-1 min-w-[110px]">
          What it is called
          <input className="field" placeholder="Crew points" maxLength={80} value={name} onChange={({ target }) => setName(target.value)} />
        </label>
        <label className="labelled w-[150px]">
          Rounded to multiples of
          <input
            className="field num"
            placeholder="not rounded"
            inputMode="decimal"
            aria-invalid={!stepSound}
            value={step}
            onChange={({ target }) => setStep(target.value)}
          />
        </label>
      </span>
      <label className="labelled">
        How it is reckoned
        <textarea
          className="field"
          rows={2}
          aria-describedby="own-figure-says"
          placeholder="energyKcal / 50 + fat / 12 - min(fibre, 4) / 5"
          maxLength={500}
          aria-invalid={formula.trim() !== '' && !sound}
          value={formula}
          onChange={({ target }) => setFormula(target.value)}
        />
      </label>
      <p id="own-figure-says" className={`text-[12.5px] ${formula.trim() !== '' && !sound ? 'bad' : 'faint'}`} role="status">
        {formula.trim() !== '' && !sound ? sentence(trouble) : `Of + − * /, min, max, abs and: ${INDEX_FIGURES.join(', ')}.`}
      </p>
      <span className="flex gap-2">
        <button
          type="button"
          className="btn btn-main"
          disabled={!changed || !sound || !stepSound || name.trim() === ''}
          onClick={() => onChange(next)}
        >
          Reckon it
        </button>
        {index && (
          <button
            type="button"
            className="btn"
            onClick={() => {
              onChange(null);
              setName('');
              setFormula('');
              setStep('');
            }}
          >
            Do without it
          </button>
        )}
      </span>
    </fieldset>
  );
}

function sentence(text: string): string {
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;
}
