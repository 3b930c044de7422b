import { nutrientRow, type BatchReport, type Nutrient, type RecipeReport } from '@portiona/core';

/** The figures a table shows, in order. */
const SHOWN: readonly Nutrient[] = ['energyKcal', 'energyKj', 'protein', 'carbohydrate', 'sugars', 'fat', 'saturates', 'fibre', 'sodium'];

/** One recipe's figures as a table for a terminal. */
export function reportTable(report: RecipeReport | BatchReport): string {
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
    ...('boxes' in report ? batchRows(report) : []),
    ...report.problems.map(({ code, at, message }) => `  ! ${code} at ${at}: ${message}`),
    '',
  ].join('\n');
}

/** What a batch came to besides: its boxes, what is left, what was paid, how its yields stand. */
function batchRows({ boxes, left, paid, yields }: BatchReport): string[] {
  return [
    ...boxes.map(({ name, count, weight, nutrients: { energyKcal }, usedCost }) =>
      row(
        `${count} × ${name}`,
        `${weight.toFixed(0)} g`,
        `${energyKcal === undefined ? '?' : energyKcal.toFixed(0)} kcal, used ${money(usedCost, false)}`,
      ),
    ),
    ...left.map(({ part, grams }) => row(`Left of ${part}`, `${grams.toFixed(0)} g`, '')),
    ...(paid === null ? [] : [row('Paid', paid.toFixed(2), '')]),
    ...yields.map(({ part, factor, mean, low, high, batches }) =>
      row(
        `Yield of ${part}`,
        factor === null ? 'unknown' : factor.toFixed(3),
        mean === null
          ? ''
          : `mean of ${batches} before ${mean.toFixed(3)}${low === null || high === null ? '' : `, usual ${low.toFixed(3)} to ${high.toFixed(3)}`}`,
      ),
    ),
  ];
}

function row(name: string, figure: string, note: string): string {
  return `  ${name.padEnd(16)}${figure.padStart(22)}   ${note}`.trimEnd();
}

function money(amount: number | null, atLeast: boolean): string {
  return amount === null ? 'unknown' : `${atLeast ? 'at least ' : ''}${amount.toFixed(2)}`;
}
