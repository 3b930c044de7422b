import { newUuid } from '../../api/newUuid';
import { cautionsFor, stepOf, type Batch, type BatchEdit, type Kitchen, type PlannedBatch } from '@portiona/core';
import { stepRows, type CookRow, type CookRun } from './stepRows';
import { readyToRing } from './useRinging';
import { WeighRow, type OnScale } from './WeighRow';

interface CookStepProps {
  readonly number: number;
  readonly batch: Batch;
  readonly plan: PlannedBatch;
  readonly kitchen: Kitchen;
  readonly say: (edit: BatchEdit) => void;
  readonly onScale: OnScale;
}

/** Text of a step as it is done: its own, or that of the way that was taken. */
export function stepTextNow(number: number, batch: Batch, { recipe }: PlannedBatch): string {
  const step = (recipe.steps ?? []).map(stepOf).filter(({ text }) => text.trim() !== '')[number - 1];
  const way = batch.cooking?.ways?.[String(number)];
  return step?.or?.find(({ name }) => name === way)?.text ?? step?.text ?? '';
}

/** A step in the order of doing it. */
export function CookStep({ number, batch, plan, kitchen, say, onScale }: CookStepProps) {
  const { recipe, grams } = plan;
  const step = (recipe.steps ?? []).map(stepOf).filter(({ text }) => text.trim() !== '')[number - 1];
  const way = batch.cooking?.ways?.[String(number)];
  const text = stepTextNow(number, batch, plan);
  const rows = stepRows(text, recipe, kitchen);
  const cautions = cautionsOf(rows, text, kitchen);
  if (!step) return null;
  const start = (name: string, minutes: number) => {
    readyToRing();
    say({
      do: 'timer',
      timer: { id: `t-${newUuid().slice(0, 8)}`, name, minutes, started: new Date().toISOString(), step: number },
    });
  };
  return (
    <>
      <span className="cook-number" aria-hidden>
        {number}
      </span>
      <div className="cook-body">
        {step.or && step.or.length > 0 && (
          <div className="cook-ways" role="radiogroup" aria-label="How it is done">
            {[undefined, ...step.or.map(({ name }) => name)].map((name) => (
              <button
                key={name ?? ''}
                type="button"
                role="radio"
                aria-checked={way === name}
                onClick={() => say({ do: 'way', step: number, way: name ?? null })}
              >
                {name ?? 'as written'}
              </button>
            ))}
          </div>
        )}
        {rows.map((row, i) =>
          row.row === 'line' ? (
            <WeighRow
              key={row.at}
              at={row.at}
              amount={row.amount}
              food={row.food}
              planned={grams.get(row.at)}
              batch={batch}
              kitchen={kitchen}
              onSay={say}
              onScale={onScale}
            />
          ) : (
            <p className="cook-said" key={i}>
              {row.runs.map((run, r) => (
                <Run key={r} run={run} onStart={start} />
              ))}
            </p>
          ),
        )}
        {cautions.map((caution) => (
          <p key={caution} className="cook-caution">
            ▲ {caution}
          </p>
        ))}
      </div>
    </>
  );
}

function Run({ run, onStart }: { readonly run: CookRun; readonly onStart: (name: string, minutes: number) => void }) {
  if (run.kind === 'words') return <>{run.text}</>;
  if (run.kind === 'sign') return <span className="cook-sign">{run.text}</span>;
  return (
    <button
      type="button"
      className="cook-time"
      onClick={() => onStart(run.name, run.minutes)}
      aria-label={`Start a timer: ${run.name}, ${run.text}`}
    >
      ◷ {run.text}
    </button>
  );
}

/** What to mind at this step alone: what is said of every dish stands on its card. */
function cautionsOf(rows: readonly CookRow[], text: string, kitchen: Kitchen): readonly string[] {
  const foods = rows.flatMap((row) => (row.row === 'line' && row.line.food !== undefined ? (kitchen.food(row.line.food) ?? []) : []));
  const everywhere = new Set(cautionsFor([], []).cooking);
  return cautionsFor(foods, [text]).cooking.filter((one) => !everywhere.has(one));
}
