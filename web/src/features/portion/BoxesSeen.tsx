import { useState } from 'react';
import { Link } from 'react-router';
import type { Figure, Kitchen } from '@portiona/core';
import { leastText, numberText, priceText } from '../../ui/numberText';

import { boxEdits } from './boxEdits';
import type { Portioned } from './portioned';
import { Shelves } from './Shelves';
import { usePortioned } from './usePortioned';
import './portion.css';

/** A batch as it stands in boxes: how many of each size, what one delivers and costs, and on which shelf each is. */
export function BoxesSeen({ batchId }: { readonly batchId: string }) {
  const { found, kitchen, say, trouble } = usePortioned(batchId);
  if (trouble !== undefined) return <p className="warn text-compact">▲ Its boxes cannot be worked out: {trouble}.</p>;
  if (!found || !kitchen) return <div aria-busy="true" />;
  return <Seen found={found} kitchen={kitchen} say={say} />;
}

function Seen({
  found,
  kitchen,
  say,
}: {
  readonly found: Portioned;
  readonly kitchen: Kitchen;
  readonly say: Parameters<typeof boxEdits>[1];
}) {
  const { kinds, singles, portion } = found;
  const [chosen, setChosen] = useState(1);
  const { keep, move } = boxEdits(found, say);
  const { currency } = kitchen.settings;
  const pots = portion.parts.map(
    ({ part, cooked, estimated }) => `${numberText(cooked, 0)} g ${part.name.toLowerCase()}${estimated ? ', by estimate' : ''}`,
  );
  if (singles.length === 0)
    return (
      <p className="warn text-compact" role="note">
        ▲ In no boxes yet: {pots.join('; ')}.
      </p>
    );
  return (
    <>
      <ul className="kinds-seen" aria-label="Sizes">
        {kinds.map(({ kind, figures }, i) => (
          <li key={`${kind.name} ${i}`}>
            <Link className="kinds-seen-name" to={`/portion/${found.batch.id}`} title="Its figures, and how they come about">
              {kind.count} × {kind.name}
            </Link>{' '}
            <span className="num">{numberText(figures.weight, 0)} g</span>{' '}
            <span className="num">{figureText(figures.nutrients.energyKcal, (amount) => `${numberText(amount, 0)} kcal`)}</span>{' '}
            <span className="num">{figureText(figures.usedCost, (amount) => priceText(amount, currency))}</span>
          </li>
        ))}
      </ul>
      <Shelves found={found} chosen={chosen} onChoose={setChosen} onMove={move} onBoxes={keep} guidelineOf={kitchen.settings} />
    </>
  );
}

function figureText(figure: Figure, text: (amount: number) => string): string {
  if (figure.amount === undefined) return '?';
  return `${leastText(figure) === '' ? '' : '≥ '}${text(figure.amount)}`;
}
