import { useState } from 'react';
import { X } from 'lucide-react';
import { TARGET_KINDS, type BriefFigure, type Target, type TargetJudgement, type TargetKind } from '@portiona/core';
import {
  figureName,
  figureUnit,
  OFFERED_FIGURES,
  standingText,
  usualTarget,
  verdictClass,
  verdictGlyph,
} from '../../features/briefs/briefWords';
import { useStation } from '../station';
import { Select } from '../../ui/Select';
import { Input } from '../../ui/Input';
import { Button } from '../../ui/Button';
import { LedgerRow } from '../../ui/Ledger';

interface TargetRowProps {
  readonly target: Target;
  readonly judgement: TargetJudgement | undefined;
  readonly onChange: (target: Target) => void;
  readonly onRemove: () => void;
}

/** One target of a brief, and how the dish stands to it as it is. */
export function TargetRow({ target, judgement, onChange, onRemove }: TargetRowProps) {
  const { here, showWorking } = useStation();
  const [text, setText] = useState<string>();
  const name = figureName(target.figure);
  return (
    <LedgerRow>
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
        <span className="muted w-8">{figureUnit(target.figure, here.kitchen.settings.currency)}</span>
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
      {judgement ? (
        <button className={`figbtn text-left ${verdictClass(judgement.verdict)}`} onClick={() => showWorking(target.figure)}>
          <span aria-hidden>{verdictGlyph(judgement.verdict)}</span> {standingText(judgement, here.kitchen)}
        </button>
      ) : (
        <span />
      )}
      <Button kind="icon" aria-label={`Take the target for ${name} out`} onClick={onRemove}>
        <X size={14} />
      </Button>
    </LedgerRow>
  );
}
