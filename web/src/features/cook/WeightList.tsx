import { useState } from 'react';
import type { Batch, Kitchen, PlannedBatch } from '@portiona/core';
import { Segmented } from '../../ui/Segmented';
import { numberText } from '../../ui/numberText';
import { sortedRows, type Sorting } from './OutAndWeighed';
import { lineRows } from './toWeigh';

const SORTINGS = [
  ['part', 'by part'],
  ['shelf', 'by shelf'],
] as const;

/** Every weight of the batch beside the step: what was wanted, what was weighed. */
export function WeightList({
  plan,
  batch,
  kitchen,
  target,
}: {
  readonly plan: PlannedBatch;
  readonly batch: Batch;
  readonly kitchen: Kitchen;
  /** Place of the line that is on the scale. */
  readonly target: string | undefined;
}) {
  const [sorting, setSorting] = useState<Sorting>('part');
  const ready = new Set(batch.cooking?.ready ?? []);
  return (
    <section className="weights" aria-label="Weights">
      <div className="weights-head">
        <h2>Out and weighed</h2>
        <Segmented label="In which order" value={sorting} options={SORTINGS} onChange={setSorting} />
      </div>
      <table>
        <thead>
          <tr>
            <th>
              <span className="sr">Ingredient</span>
            </th>
            <th className="num">wanted</th>
            <th className="num">weighed</th>
          </tr>
        </thead>
        {sortedRows(lineRows(plan, kitchen), sorting, plan, kitchen).map(({ name, rows }) => (
          <tbody key={name}>
            <tr className="weights-group">
              <th scope="rowgroup" colSpan={3}>
                {name}
              </th>
            </tr>
            {rows.map(({ at, food }) => {
              const done = batch.lines?.find((line) => 'at' in line && line.at === at);
              const weighed = done && 'grams' in done ? done.grams : undefined;
              const planned = plan.grams.get(at);
              const far = weighed !== undefined && planned !== undefined && Math.abs(weighed - planned) > 0.1 * planned;
              const mark =
                done && 'out' in done ? '–' : at === target ? '▸' : far ? '▲' : weighed !== undefined || ready.has(at) ? '✓' : '○';
              return (
                <tr key={at} className={at === target ? 'weights-target' : ''}>
                  <td>
                    <span className={mark === '✓' ? 'ok' : mark === '▲' ? 'warn' : 'faint'} aria-hidden>
                      {mark}
                    </span>{' '}
                    {food}
                  </td>
                  <td className="num muted">{planned === undefined ? '' : `${numberText(planned, planned < 20 ? 1 : 0)} g`}</td>
                  <td className={`num ${far ? 'warn' : 'ok'}`}>
                    {done && 'out' in done ? 'left out' : weighed !== undefined ? `${numberText(weighed, 0)} g` : ready.has(at) ? 'in' : ''}
                  </td>
                </tr>
              );
            })}
          </tbody>
        ))}
      </table>
    </section>
  );
}
