import { X } from 'lucide-react';
import type { Target, TargetJudgement } from '@portiona/core';
import { figureName, standingText, verdictClass, verdictGlyph } from '../../features/briefs/briefWords';
import { TargetFields } from '../../features/briefs/TargetFields';
import { useStation } from '../station';
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
  return (
    <LedgerRow>
      <TargetFields target={target} currency={here.kitchen.settings.currency} onChange={onChange} />
      {judgement ? (
        <button className={`figbtn text-left ${verdictClass(judgement.verdict)}`} onClick={() => showWorking(target.figure)}>
          <span aria-hidden>{verdictGlyph(judgement.verdict)}</span> {standingText(judgement, here.kitchen)}
        </button>
      ) : (
        <span />
      )}
      <Button kind="icon" aria-label={`Take the target for ${figureName(target.figure)} out`} onClick={onRemove}>
        <X size={14} />
      </Button>
    </LedgerRow>
  );
}
