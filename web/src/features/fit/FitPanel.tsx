import { useState } from 'react';
import type { Kitchen, Recipe, RecipeFigures } from '@portiona/core';
import { SidePanel } from '../../ui/SidePanel';
import { ForAmount } from './ForAmount';
import { OneLine } from './OneLine';
import { ToBrief } from './ToBrief';
import { Segmented } from '../../ui/Segmented';
import './fit.css';

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
      <Segmented label="Ways to make it fit" className="my-2" value={side} options={SIDES} onChange={setSide} />
      {side === 'brief' && <ToBrief recipe={recipe} figures={figures} kitchen={kitchen} />}
      {side === 'line' && <OneLine recipe={recipe} figures={figures} kitchen={kitchen} />}
      {side === 'amount' && <ForAmount figures={figures} kitchen={kitchen} />}
    </SidePanel>
  );
}
