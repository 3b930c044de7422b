import { useMemo } from 'react';
import { briefJudgements, type Brief, type Kitchen, type RecipeFigures } from '@portiona/core';
import { askedText, figureName, limitText, standingText, verdictClass, verdictGlyph } from '../features/briefs/briefWords';
import type { PanelName } from '../working/panelName';
import { Button } from '../ui/Button';

interface BriefRowsProps {
  readonly brief: Brief;
  readonly figures: RecipeFigures;
  readonly kitchen: Kitchen;
  readonly open: PanelName | null;
  readonly onOpen: (figure: PanelName) => void;
}

/** Everything the brief asks for, each with how the dish stands to it. */
export function BriefRows({ brief, figures, kitchen, open, onOpen }: BriefRowsProps) {
  const judgements = useMemo(() => briefJudgements(figures, brief, kitchen), [figures, brief, kitchen]);
  if (judgements.length === 0) return null;
  return (
    <div role="group" aria-label="Brief">
      {judgements.map((judgement, i) => {
        const text = (
          <>
            <span className="fig-name">
              <span className={verdictClass(judgement.verdict)} aria-hidden>
                {verdictGlyph(judgement.verdict)}
              </span>{' '}
              {judgement.kind === 'target'
                ? `${figureName(judgement.target.figure)} ${limitText(judgement.target, kitchen)}`
                : `${judgement.of}, ${askedText(judgement, kitchen)}`}
              {judgement.kind === 'target' && judgement.target.wish && <span className="faint"> wished</span>}
            </span>
            <span className={`text-small text-right ${verdictClass(judgement.verdict)}`}>{standingText(judgement, kitchen)}</span>
          </>
        );
        return judgement.kind === 'target' ? (
          <button key={i} className="fig brief" onClick={() => onOpen(judgement.target.figure)}>
            {text}
          </button>
        ) : (
          <div key={i} className="fig brief">
            {text}
          </div>
        );
      })}
      {judgements.some(({ kind, verdict }) => kind === 'target' && verdict !== 'holds') && (
        <Button className="w-full justify-center mt-1.5" aria-expanded={open === 'fit'} onClick={() => onOpen('fit')}>
          Make it fit
        </Button>
      )}
      <div className="tear" />
    </div>
  );
}
