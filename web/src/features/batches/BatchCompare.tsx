import { useMemo } from 'react';
import { useMay } from '../account/useMe';
import { batchFigures, computed, dayText, type Batch, type Kitchen } from '@portiona/core';
import type { LoggedBatchDto } from '../../api/api.gen';
import { numberText, priceText } from '../../ui/numberText';

interface BatchCompareProps {
  readonly rows: readonly LoggedBatchDto[];
  readonly batches: readonly Batch[];
  readonly kitchen: Kitchen;
  readonly compared: readonly string[];
  readonly onChange: (ids: readonly string[]) => void;
}

/** Batches that stand side by side at most. */
const MOST = 4;

/** Batches of a dish side by side: figures of a box, what parts weighed, and line by line what went in. */
export function BatchCompare({ rows, batches, kitchen, compared, onChange }: BatchCompareProps) {
  const showsCosts = useMay('costs');
  const columns = useMemo(
    () =>
      compared.flatMap((id) => {
        const batch = batches.find((one) => one.id === id);
        if (!batch) return [];
        const found = computed(() => batchFigures(batch, batches, kitchen));
        return [{ batch, made: found.ok ? found.made : undefined }];
      }),
    [batches, kitchen, compared],
  );
  const { currency } = kitchen.settings;
  const lines = linesOf(columns);
  const usedABox = [
    'Used a box',
    ({ made }: (typeof columns)[number]) =>
      made?.figures.perServing.usedCost.amount === undefined ? '?' : priceText(made.figures.perServing.usedCost.amount, currency),
  ] as const;
  const figures: readonly (readonly [name: string, of: (column: (typeof columns)[number]) => string])[] = [
    ['Boxes', ({ batch, made }) => String(batch.servings ?? made?.recipe.servings ?? '?')],
    ['Energy of a box, kcal', ({ made }) => amount(made?.figures.perServing.nutrients.energyKcal.amount, 0)],
    ['Protein, g', ({ made }) => amount(made?.figures.perServing.nutrients.protein.amount, 1)],
    ['Weight of a box, g', ({ made }) => amount(made?.figures.perServing.weight, 0)],
    ...(showsCosts ? [usedABox] : []),
    ['Minutes at the stove', ({ batch }) => amount(batch.minutes?.active, 0)],
    ['Tasted, of 5', ({ batch }) => (batch.rating === undefined ? '–' : String(batch.rating))],
  ];
  return (
    <div className="batch-compare">
      <fieldset className="batch-choice">
        <legend>Side by side, up to {MOST}</legend>
        {rows.map((row) => (
          <label key={row.id}>
            <input
              type="checkbox"
              checked={compared.includes(row.id)}
              disabled={!compared.includes(row.id) && compared.length >= MOST}
              onChange={({ target }) => onChange(target.checked ? [...compared, row.id] : compared.filter((id) => id !== row.id))}
            />{' '}
            {dayText(row.date, false)}
          </label>
        ))}
      </fieldset>
      <table className="went-in">
        <thead>
          <tr>
            <th>
              <span className="sr">What</span>
            </th>
            {columns.map(({ batch }) => (
              <th key={batch.id} className="num">
                {dayText(batch.date, false)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {figures.map(([name, of]) => (
            <tr key={name}>
              <th scope="row">{name}</th>
              {columns.map((column) => (
                <td key={column.batch.id} className="num">
                  {of(column)}
                </td>
              ))}
            </tr>
          ))}
          {partsOf(columns).map(([id, name]) => (
            <tr key={id}>
              <th scope="row">{name} came out, g</th>
              {columns.map(({ batch, made }) => {
                const part = made?.figures.parts.find((one) => one.part.id === id);
                return (
                  <td key={batch.id} className="num">
                    {part === undefined ? '–' : `${part.estimated ? '≈ ' : ''}${numberText(part.cooked, 0)}`}
                  </td>
                );
              })}
            </tr>
          ))}
          {lines.map(({ at, name, grams }) => (
            <tr key={at} className={new Set(grams.map((one) => one ?? '')).size > 1 ? 'differs' : ''}>
              <th scope="row">{name}</th>
              {grams.map((one, i) => (
                <td key={i} className="num">
                  {one ?? '–'}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="muted text-small mt-2">
        Grams eaten of each line, for each box. ≈ was not weighed: estimated. What differs is set off.
      </p>
    </div>
  );
}

interface Column {
  readonly batch: Batch;
  readonly made: ReturnType<typeof batchFigures> | undefined;
}

function amount(of: number | undefined, decimals: number): string {
  return of === undefined ? '–' : numberText(of, decimals);
}

function partsOf(columns: readonly Column[]): readonly (readonly [id: string, name: string])[] {
  return [...new Map(columns.flatMap(({ made }) => (made?.figures.parts ?? []).map(({ part }) => [part.id, part.name] as const)))];
}

/** Each food of any of them once in its part, with what each box got of it. */
function linesOf(columns: readonly Column[]) {
  const names = new Map<string, string>();
  const found = columns.map(({ made }) => {
    const grams = new Map<string, number>();
    for (const line of made?.figures.lines ?? []) {
      if (line.of.kind !== 'food' || !made) continue;
      const key = `${line.at.replace(/\/.*/, '')} ${line.of.resolved.food.id}`;
      names.set(key, line.of.resolved.food.name);
      grams.set(key, (grams.get(key) ?? 0) + (line.weights?.eaten ?? NaN) / made.recipe.servings);
    }
    return grams;
  });
  return [...names].map(([at, name]) => ({
    at,
    name,
    grams: found.map((grams) => {
      const own = grams.get(at);
      return own === undefined ? undefined : Number.isNaN(own) ? '?' : numberText(own, own < 20 ? 1 : 0);
    }),
  }));
}
