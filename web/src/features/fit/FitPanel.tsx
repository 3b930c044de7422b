import { useState } from 'react';
import type { Kitchen, Recipe, RecipeFigures } from '@portiona/core';
import { SidePanel } from '../../ui/SidePanel';
import { ForAmount } from './ForAmount';
import { OneLine } from './OneLine';
import { ToBrief } from './ToBrief';

interface FitPanelProps {
  readonly recipe: Recipe;
  readonly figures: RecipeFigures;
  readonly kitchen: Kitchen;
  readonly onClose: () => void;
}

const SIDES = [
  ['brief', 'To the brief'],
  ['line', 'By one line'],
  ['amount', 'How much of a food'],
] as const;

/** Make it fit: amounts changed by the machine, taken line by line by the cook. */
export function FitPanel({ recipe, figures, kitchen, onClose }: FitPanelProps) {
  const [side, setSide] = useState<(typeof SIDES)[number][0]>('brief');
  return (
    <SidePanel label="Make it fit" subject={side} onClose={onClose} className="fitting">
      <h2>Make it fit</h2>
      <div className="seg my-2" role="group" aria-label="Ways to make it fit">
        {SIDES.map(([name, text]) => (
          <button key={name} aria-pressed={side === name} onClick={() => setSide(name)}>
            {text}
          </button>
        ))}
      </div>
      {side === 'brief' && <ToBrief recipe={recipe} figures={figures} kitchen={kitchen} />}
      {side === 'line' && <OneLine recipe={recipe} figures={figures} kitchen={kitchen} />}
      {side === 'amount' && <ForAmount figures={figures} kitchen={kitchen} />}
    </SidePanel>
  );
}
