import { timedSteps, type Batch, type BatchEdit, type Kitchen, type PlannedBatch, type Recipe } from '@portiona/core';
import { plainStep } from './plainStep';
import { stepRows, type CookRow } from './stepRows';
import { WeighRow } from './WeighRow';

interface OutProps {
  readonly recipe: Recipe;
  readonly grams: PlannedBatch['grams'];
  readonly batch: Batch;
  readonly kitchen: Kitchen;
  readonly say: (edit: BatchEdit) => void;
}

/** Everything to get out and weigh, by part; and what should have been begun before. */
export function OutAndWeighed({ recipe, grams, batch, kitchen, say }: OutProps) {
  const early = timedSteps(recipe).filter(
    ({ step, minutes }) => minutes >= 4 * 60 || /\bovernight\b|\bthe day before\b|\bnight before\b/i.test(step.text),
  );
  return (
    <div className="cook-body">
      <p className="cook-said">Get out and weigh</p>
      {early.length > 0 && (
        <p className="cook-caution" role="status">
          ▲ Takes long:{' '}
          {early
            .map(
              ({ number, step, minutes }) =>
                `step ${number}, ${minutes >= 240 ? `${Math.round(minutes / 60)} h` : 'overnight'}: ${plainStep(step.text).slice(0, 60)}`,
            )
            .join('; ')}
        </p>
      )}
      {recipe.parts.map((part) => (
        <section key={part.id} aria-label={part.name}>
          <h2>{part.name}</h2>
          {part.lines.map((line, i) => {
            const at = `${part.id}/${i + 1}`;
            const [row] = lineRow(at, line, kitchen);
            return (
              row && <WeighRow key={at} at={at} amount={row.amount} food={row.food} planned={grams.get(at)} batch={batch} onSay={say} />
            );
          })}
        </section>
      ))}
    </div>
  );
}

function lineRow(at: string, line: Recipe['parts'][number]['lines'][number], kitchen: Kitchen): Extract<CookRow, { row: 'line' }>[] {
  const part = { id: at.replace(/\/.*/, ''), name: '', lines: [line] };
  return stepRows(`{${part.id}/1}`, { id: '', title: '', servings: 1, parts: [part] }, kitchen).flatMap((row) =>
    row.row === 'line' ? [row] : [],
  );
}
