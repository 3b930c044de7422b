import { useMemo, useState } from 'react';
import {
  DRIVEN_FIGURES,
  contributionsOf,
  servedOf,
  weighNext,
  type DrivenFigure,
  type RankedContribution,
  type Kitchen,
  type RecipeFigures,
} from '@portiona/core';
import { SidePanel } from '../../ui/SidePanel';
import { numberText, percentText, priceText } from '../../ui/numberText';
import './contributions.css';

interface ContributionsPanelProps {
  readonly figures: RecipeFigures;
  readonly kitchen: Kitchen;
  readonly onClose: () => void;
  /** Opens a figure's working. */
  readonly onFigure: (figure: DrivenFigure) => void;
}

const NAMES: Readonly<Record<DrivenFigure, string>> = {
  energyKcal: 'Energy',
  protein: 'Protein',
  usedCost: 'Cost, used',
  sodium: 'Sodium',
};

/** What drives it: every line's share of a serving's energy, protein, cost and sodium, the greatest of one figure first. */
export function ContributionsPanel({ figures, kitchen, onClose, onFigure }: ContributionsPanelProps) {
  const [by, setBy] = useState<DrivenFigure>('energyKcal');
  const [grouped, setGrouped] = useState(false);
  const ranked = useMemo(() => contributionsOf(figures), [figures]);
  const serving = figures.recipe.servingName ?? 'serving';
  const first = (one: RankedContribution, other: RankedContribution) => other.shares[by] - one.shares[by];
  const rows = grouped
    ? [...ranked].sort(first).flatMap((part) => [part, ...[...part.lines].sort(first)])
    : ranked.flatMap(({ lines }) => lines).sort(first);
  const parts = new Set(ranked.map(({ at }) => at));
  const next = weighNext(figures.parts.filter(({ part }) => servedOf(part) === 'box'))
    .filter(({ now, after }) => now - after >= 0.5)
    .slice(0, 3);
  const nameAt = new Map(ranked.flatMap(({ lines }) => lines.map(({ at, name }) => [at, name])));
  return (
    <SidePanel label="What drives it" subject={by} onClose={onClose} className="fitting">
      <h2>What drives it</h2>
      <p className="intro">
        Shares of a {serving}:{' '}
        {leadOf(
          rows.filter(({ at }) => !parts.has(at)),
          by,
        )}
      </p>
      {ranked.length > 1 && (
        <label className="flex gap-2 items-center text-compact mb-1">
          <input type="checkbox" checked={grouped} onChange={({ target }) => setGrouped(target.checked)} /> by part
        </label>
      )}
      <table className="contributions">
        <thead>
          <tr>
            <th>line</th>
            {DRIVEN_FIGURES.map((figure) => (
              <th key={figure} aria-sort={by === figure ? 'descending' : 'none'}>
                <button
                  className={by === figure ? 'font-semibold' : ''}
                  onClick={() => setBy(figure)}
                  title={`Greatest ${NAMES[figure].toLowerCase()} first`}
                >
                  {NAMES[figure]}
                  {by === figure && <span aria-hidden> ↓</span>}
                </button>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.at} className={parts.has(row.at) ? 'of' : ''}>
              <td>{row.name}</td>
              {DRIVEN_FIGURES.map((figure) => (
                <td key={figure} className={`share-cell ${figure} ${by === figure ? 'by' : ''}`}>
                  <button
                    onClick={() => onFigure(figure)}
                    title={`${amountText(row, figure, kitchen)} a ${serving}; the working of ${NAMES[figure].toLowerCase()}`}
                  >
                    <i style={{ width: `${Math.min(100, row.shares[figure] * 100)}%` }} aria-hidden />
                    <span className="num">{row.amounts[figure] === undefined ? '?' : shareText(row.shares[figure])}</span>
                  </button>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {next.length > 0 && (
        <>
          <h3>Weigh next</h3>
          <ol className="text-compact grid gap-1">
            {next.map(({ at, now, after }) => (
              <li key={at} className="flex justify-between">
                <span>{nameAt.get(at) ?? at}</span>
                <span className="num muted">
                  energy ± {numberText(now, 0)} → ± {numberText(after, 0)} kcal
                </span>
              </li>
            ))}
          </ol>
        </>
      )}
    </SidePanel>
  );
}

/** How few lines bring most of it. */
function leadOf(lines: readonly RankedContribution[], by: DrivenFigure): string {
  let [sum, count] = [0, 0];
  for (const line of lines) {
    if (sum >= 0.75) break;
    sum += line.shares[by];
    count++;
  }
  if (sum === 0) return `nothing is known of its ${NAMES[by].toLowerCase()}.`;
  return `${count} of ${lines.length} lines bring ${percentText(sum)} of its ${NAMES[by].toLowerCase()}.`;
}

function shareText(share: number): string {
  return share === 0 ? '0' : share < 0.005 ? '<1 %' : percentText(share);
}

function amountText({ amounts }: RankedContribution, figure: DrivenFigure, kitchen: Kitchen): string {
  const amount = amounts[figure];
  if (amount === undefined) return 'unknown';
  if (figure === 'usedCost') return priceText(amount, kitchen.settings.currency);
  return figure === 'energyKcal'
    ? `${numberText(amount, 0)} kcal`
    : figure === 'protein'
      ? `${numberText(amount, 1)} g`
      : `${numberText(amount, 0)} mg`;
}
