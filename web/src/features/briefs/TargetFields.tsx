import { useState } from 'react';
import { TARGET_KINDS, type BriefFigure, type Target, type TargetKind } from '@portiona/core';
import { Input } from '../../ui/Input';
import { Select } from '../../ui/Select';
import { figureName, figureUnit, OFFERED_FIGURES, usualTarget } from './briefWords';

interface TargetFieldsProps {
  readonly target: Target;
  readonly currency: string;
  readonly onChange: (target: Target) => void;
}

/** What a target says: of which figure, which way, how much, and whether it is a mere wish. */
export function TargetFields({ target, currency, onChange }: TargetFieldsProps) {
  const [text, setText] = useState<string>();
  const name = figureName(target.figure);
  return (
    <>
      <Select
        aria-label="Figure of the target"
        value={target.figure}
        onChange={({ target: { value } }) => onChange({ ...usualTarget(value as BriefFigure), ...(target.wish ? { wish: true } : {}) })}
      >
        {OFFERED_FIGURES.map((figure) => (
          <option key={figure} value={figure}>
            {figureName(figure)}
          </option>
        ))}
      </Select>
      <Select
        aria-label={`${name}: at most, at least or about`}
        value={target.is}
        onChange={({ target: { value } }) => onChange({ ...target, is: value as TargetKind })}
      >
        {TARGET_KINDS.map((kind) => (
          <option key={kind}>{kind}</option>
        ))}
      </Select>
      <span className="flex gap-1.5 items-baseline">
        <Input
          className="w-[78px] num"
          inputMode="decimal"
          aria-label={`${name}, ${target.is}`}
          value={text ?? String(target.amount)}
          onChange={({ target: { value } }) => {
            setText(value);
            const amount = Number(value.replace(',', '.'));
            if (value.trim() !== '' && Number.isFinite(amount) && amount >= 0) onChange({ ...target, amount });
          }}
          onBlur={() => setText(undefined)}
        />
        <span className="muted w-8">{figureUnit(target.figure, currency)}</span>
      </span>
      <label className="flex gap-1.5 items-center muted text-small">
        <input
          type="checkbox"
          checked={target.wish ?? false}
          onChange={({ target: { checked } }) => {
            const { wish: _, ...hard } = target;
            onChange(checked ? { ...hard, wish: true } : hard);
          }}
        />
        a wish
      </label>
    </>
  );
}
