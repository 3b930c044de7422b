import { againstStated, type Kitchen, type Recipe, type RecipeFigures } from '@portiona/core';
import { docketText } from '../ui/numberText';

interface StatedRowProps {
  readonly recipe: Recipe;
  readonly figures: RecipeFigures;
  readonly kitchen: Kitchen;
  readonly open: boolean;
  readonly onOpen: () => void;
}

/** What the page a dish is from says of its energy, beside what is computed of its lines. */
export function StatedRow({ recipe, figures, kitchen, open, onOpen }: StatedRowProps) {
  const energy = againstStated(recipe, figures, kitchen.convention).find(({ nutrient }) => nutrient === 'energyKcal');
  if (!energy) return null;
  const { stated, atLeast, apart, far } = energy;
  return (
    <button className="fig" aria-expanded={open} onClick={onOpen}>
      <span className="fig-name">{far ? <span className="warn">▲ Its page says</span> : 'Its page says'}</span>
      <span className="fig-value">
        {docketText(stated)}
        <small>kcal</small>
        {apart !== undefined && (
          <span className="least block">
            yours {atLeast && 'so far '}
            {Math.abs(apart) < 0.005 ? 'the same' : `${Math.round(Math.abs(apart) * 100)} % ${apart > 0 ? 'above' : 'below'}`}
          </span>
        )}
      </span>
    </button>
  );
}
