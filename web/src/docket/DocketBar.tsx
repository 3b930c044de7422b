import { ChevronDown, ChevronUp } from 'lucide-react';
import type { Figure, Kitchen, Recipe, RecipeFigures } from '@portiona/core';
import { useMay } from '../features/account/useMe';
import { numberText, priceText } from '../ui/numberText';
import { useDocketOpen } from './DocketSlot';
import './docket.css';

interface DocketBarProps {
  readonly recipe: Recipe;
  readonly figures: RecipeFigures;
  readonly kitchen: Kitchen;
}

/** The docket in one line, at the foot of a phone: a press pulls the whole of it up. */
export function DocketBar({ recipe, figures: { perServing }, kitchen }: DocketBarProps) {
  const { open, toggle } = useDocketOpen();
  const { energyKcal, protein } = perServing.nutrients;
  const showsCosts = useMay('costs');
  return (
    <button className="docket-bar" aria-expanded={open} onClick={toggle}>
      <Short figure={energyKcal} text={(amount) => numberText(amount, 0)} unit="kcal" />
      <Short figure={protein} text={(amount) => numberText(amount, 1)} unit="g protein" />
      {showsCosts && <Short figure={perServing.usedCost} text={(amount) => priceText(amount, kitchen.settings.currency)} unit="" />}
      <span className="faint">a {recipe.servingName ?? 'serving'}</span>
      {open ? <ChevronDown size={18} aria-hidden /> : <ChevronUp size={18} aria-hidden />}
      <span className="sr">{open ? 'Put the docket down' : 'Show the whole docket'}</span>
    </button>
  );
}

function Short({
  figure: { amount, gaps },
  text,
  unit,
}: {
  readonly figure: Figure;
  readonly text: (amount: number) => string;
  readonly unit: string;
}) {
  return (
    <span className="whitespace-nowrap">
      {amount === undefined ? (
        <span className="faint">?</span>
      ) : (
        <b>
          {gaps.length > 0 && <span className="warn">≥ </span>}
          {text(amount)}
        </b>
      )}{' '}
      {unit !== '' && <small>{unit}</small>}
    </span>
  );
}
