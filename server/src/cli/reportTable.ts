import { nutrientRow, type Nutrient, type RecipeReport } from '@portiona/core';

/** The figures a table shows, in order. */
const SHOWN: readonly Nutrient[] = ['energyKcal', 'energyKj', 'protein', 'carbohydrate', 'sugars', 'fat', 'saturates', 'fibre', 'sodium'];

/** One recipe's figures as a table for a terminal. */
export function reportTable(report: RecipeReport): string {
  const { perServing, batch } = report;
  const rows = SHOWN.flatMap((nutrient) => {
    const amount = perServing.nutrients[nutrient];
    if (amount === undefined) return [];
    const band = perServing.band[nutrient];
    const { name, unit } = nutrientRow(nutrient);
    return [
      row(
        name,
        `${perServing.incomplete[nutrient] ? 'at least ' : ''}${amount.toFixed(1)} ${unit}`,
        band ? `${band[0].toFixed(1)} to ${band[1].toFixed(1)}` : '',
      ),
    ];
  });
  return [
    `${report.recipe}, ${report.servings} servings of ${perServing.weight.toFixed(0)} g`,
    row('', 'per serving', '95 % band'),
    ...rows,
    row(
      'Used',
      money(perServing.usedCost, perServing.incomplete.usedCost !== undefined),
      `batch ${money(batch.usedCost, false)}, till ${money(batch.tillCost, false)}`,
    ),
    ...report.problems.map(({ code, at, message }) => `  ! ${code} at ${at}: ${message}`),
    '',
  ].join('\n');
}

function row(name: string, figure: string, note: string): string {
  return `  ${name.padEnd(16)}${figure.padStart(22)}   ${note}`.trimEnd();
}

function money(amount: number | null, atLeast: boolean): string {
  return amount === null ? 'unknown' : `${atLeast ? 'at least ' : ''}${amount.toFixed(2)}`;
}
