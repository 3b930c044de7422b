import { useMemo, useState } from 'react';
import { IfMay } from '../account/IfMay';
import { batchLessons, computed, withLesson, type Batch, type BatchLesson, type Kitchen, type Recipe } from '@portiona/core';
import { useSaveRecipeMutation } from '../../api/api.gen';
import { useAppDispatch } from '../recipes/useRecipeState';
import { problemOf, problemText } from '../../api/problem';
import { Button } from '../../ui/Button';
import { numberText, percentText } from '../../ui/numberText';
import { useToast } from '../../ui/Toasts';
import { openedRecipe } from '../recipes/openedRecipe';

interface LessonsProps {
  readonly recipe: Recipe;
  readonly batches: readonly Batch[];
  readonly kitchen: Kitchen;
  /** The recipe was changed. */
  readonly onTaken: () => void;
}

/** What the batches of a dish teach: each with its spread, and a press that takes it into the recipe. */
export function Lessons({ recipe, batches, kitchen, onTaken }: LessonsProps) {
  const found = useMemo(() => computed(() => batchLessons(recipe, batches, kitchen)), [recipe, batches, kitchen]);
  const take = useTakeLesson(recipe.id, kitchen, onTaken);
  if (!found.ok || found.made.length === 0)
    return <p className="muted mt-4">Two batches that were weighed teach what its parts weigh, what is lost and how long it takes.</p>;
  return (
    <section className="lessons" aria-label="What the batches teach">
      {found.made.map((lesson, i) => {
        const { title, told, press, same } = wordsOf(lesson);
        return (
          <div key={i}>
            <h2>{title}</h2>
            <p>{told}</p>
            {same ? (
              <p className="ok text-small">✓ The recipe says so.</p>
            ) : (
              <IfMay right="edit">
                <Button onClick={() => take(lesson)}>{press}</Button>
              </IfMay>
            )}
          </div>
        );
      })}
    </section>
  );
}

function wordsOf(lesson: BatchLesson): {
  readonly title: string;
  readonly told: React.ReactNode;
  readonly press: string;
  readonly same: boolean;
} {
  switch (lesson.teaches) {
    case 'weight': {
      const { name, factor, grams, sd, now, measured } = lesson;
      return {
        title: `${name} keeps ${numberText(factor.mean, 3)} of what goes in`,
        told: (
          <>
            {factor.batches} batches, ± {numberText(factor.sd, 3)}: <b>{`${numberText(grams, 0)} g ± ${numberText(sd, 0)}`}</b>. The recipe{' '}
            {measured ? 'has' : 'estimates'} {numberText(now, 0)} g.
          </>
        ),
        press: `Use ${numberText(grams, 0)} g`,
        same: measured && Math.abs(grams - now) < 0.5,
      };
    }
    case 'minutes': {
      const { minutes, taken, now } = lesson;
      return {
        title: `The stove takes ${minutes} minutes`,
        told: (
          <>
            {now === undefined ? (
              'The card states none'
            ) : (
              <>
                The card states <b>{now}</b>
              </>
            )}
            ; {[...taken].sort((a, b) => a - b).join(', ')} taken.
          </>
        ),
        press: `State ${minutes}`,
        same: now === minutes,
      };
    }
    case 'loss': {
      const { name, losses, loss } = lesson;
      return {
        title: `${name} loses ${percentText(loss, 1)}`,
        told: (
          <>
            Peeled and trimmed {losses.length} times: {losses.map((one) => percentText(one, 1)).join(', ')}.
          </>
        ),
        press: `Use ${percentText(loss, 1)}`,
        same: false,
      };
    }
  }
}

/** Takes a lesson into the recipe as it is now, with a way back. */
function useTakeLesson(id: string, kitchen: Kitchen, onTaken: () => void): (lesson: BatchLesson) => void {
  const dispatch = useAppDispatch();
  const [save] = useSaveRecipeMutation();
  const [busy, setBusy] = useState(false);
  const say = useToast();
  return (lesson) => {
    if (busy) return;
    setBusy(true);
    const work = async () => {
      const { document, revision } = await openedRecipe(id, dispatch);
      const written = await save({ id, saveRecipeDto: { revision, document: withLesson(document, lesson, kitchen) } }).unwrap();
      onTaken();
      say('It is in the recipe.', {
        label: 'Undo',
        run: () =>
          void save({ id, saveRecipeDto: { revision: written.revision, document } })
            .unwrap()
            .then(onTaken)
            .catch((error: unknown) => say(problemText(problemOf(error)))),
      });
    };
    void work()
      .catch((error: unknown) => say(problemText(problemOf(error))))
      .finally(() => setBusy(false));
  };
}
