import { useState } from 'react';
import { longSteps, type Batch, type BatchEdit, type Kitchen, type PlannedBatch } from '@portiona/core';
import { Segmented } from '../../ui/Segmented';
import { stepWords } from '@portiona/core';
import { lineRows, type LineRow } from './toWeigh';
import { WeighRow, type OnScale } from './WeighRow';

interface OutProps {
  readonly plan: PlannedBatch;
  readonly batch: Batch;
  readonly kitchen: Kitchen;
  readonly say: (edit: BatchEdit) => void;
  readonly onScale: OnScale;
}

export type Sorting = 'part' | 'shelf';
const SORTINGS = [
  ['part', 'by part'],
  ['shelf', 'by shelf'],
] as const;

/** Everything to get out and weigh, by part or by where it stands; and what should have been begun before. */
export function OutAndWeighed({ plan, batch, kitchen, say, onScale }: OutProps) {
  const { recipe, grams } = plan;
  const [sorting, setSorting] = useState<Sorting>('part');
  const early = longSteps(recipe);
  return (
    <div className="cook-body">
      <p className="cook-said">Get out and weigh</p>
      <Segmented label="In which order" value={sorting} options={SORTINGS} onChange={setSorting} />
      {early.length > 0 && (
        <p className="cook-caution" role="status">
          ▲ Takes long:{' '}
          {early
            .map(
              ({ step: { number, step }, minutes }) =>
                `step ${number}, ${minutes === undefined ? 'overnight' : `${Math.round(minutes / 60)} h`}: ${stepWords(step.text).slice(0, 60)}`,
            )
            .join('; ')}
        </p>
      )}
      {sortedRows(lineRows(plan, kitchen), sorting, plan, kitchen).map(({ name, rows }) => (
        <section key={name} aria-label={name}>
          <h2>{name}</h2>
          {rows.map(({ at, amount, food }) => (
            <WeighRow
              key={at}
              at={at}
              amount={amount}
              food={food}
              planned={grams.get(at)}
              batch={batch}
              kitchen={kitchen}
              onSay={say}
              onScale={onScale}
            />
          ))}
        </section>
      ))}
    </div>
  );
}

/** Rows under the part they go into, or under the shelf that they stand on. */
export function sortedRows(
  rows: readonly LineRow[],
  sorting: Sorting,
  { recipe }: PlannedBatch,
  kitchen: Kitchen,
): { readonly name: string; readonly rows: readonly LineRow[] }[] {
  if (sorting === 'part')
    return recipe.parts
      .map((part) => ({ name: part.name, rows: rows.filter(({ at }) => at.startsWith(`${part.id}/`)) }))
      .filter((group) => group.rows.length > 0);
  const shelves = new Map<string, LineRow[]>();
  for (const row of rows) {
    const aisle = row.line.food === undefined ? undefined : kitchen.food(row.line.food)?.aisle;
    const name =
      aisle === undefined ? (row.line.food === undefined ? 'made in the kitchen' : 'no shelf is known') : aisle.replaceAll('-', ', ');
    shelves.set(name, [...(shelves.get(name) ?? []), row]);
  }
  return [...shelves].map(([name, of]) => ({ name, rows: of })).sort((a, b) => a.name.localeCompare(b.name));
}
