import { useMemo } from 'react';
import { amountWords, nameOfLine, printedRecipe } from '@portiona/core';
import { Button } from '../../ui/Button';
import { DropPanel } from '../../ui/DropPanel';
import { numberText } from '../../ui/numberText';
import { useStation } from '../station';

/** What printing only measurable amounts changes, line by line. */
export function Snapped() {
  const { recipe, here, computed } = useStation();
  const snapped = useMemo(() => (computed.ok ? printedRecipe(recipe, here.kitchen) : undefined), [recipe, here, computed.ok]);
  if (!snapped || snapped.lines.length === 0) return null;
  const { lines, perServing } = snapped;
  return (
    <DropPanel
      trigger={
        <Button kind="quiet">
          {lines.length === 1 ? 'One amount' : `${lines.length} amounts`} made measurable: {signed(perServing.energyKcal, 0)} kcal a{' '}
          {recipe.servingName ?? 'serving'}
        </Button>
      }
      className="w-[380px] p-3"
      label="Amounts made measurable"
    >
      <p className="mb-2">
        The card prints what readers can measure, and its figures are of these amounts: {signed(perServing.energyKcal, 1)} kcal,{' '}
        {signed(perServing.protein, 1)} g protein, {signed(perServing.usedCost, 2)} {here.kitchen.settings.currency} a{' '}
        {recipe.servingName ?? 'serving'} against the sheet.
      </p>
      <table className="drifts">
        <tbody>
          {lines.map(({ at, from, to, drift }) => {
            const line = snapped.figures.lines.find((one) => one.at === at);
            const unit = line?.line.amount === undefined ? 'g' : (line.line.unit ?? 'g');
            return (
              <tr key={at}>
                <td>{line ? nameOfLine(line) : at}</td>
                <td className="num">
                  {amountWords(from, unit)} → {amountWords(to, unit)}
                </td>
                <td className="num faint">{signed(drift * 100, 0)} %</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </DropPanel>
  );
}

/** With its sign: "+1.2", "−3", "±0"; a question mark for what is unknown. */
function signed(amount: number | undefined, decimals: number): string {
  if (amount === undefined) return '?';
  const text = numberText(Math.abs(amount), decimals);
  return Number(text) === 0 ? '±0' : `${amount < 0 ? '−' : '+'}${text}`;
}
