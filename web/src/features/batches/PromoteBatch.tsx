import { useMemo } from 'react';
import { useMay } from '../account/useMe';
import { IfMay } from '../account/IfMay';
import { useNavigate } from 'react-router';
import { batchChanges, computed, dayText, variantRecipe, type Kitchen, type Recipe } from '@portiona/core';
import { useArchiveBatchMutation, useRestoreBatchMutation, useSaveRecipeMutation, type OpenBatchDto } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { Button } from '../../ui/Button';
import { useToast } from '../../ui/Toasts';
import { openedRecipe } from '../recipes/openedRecipe';
import { useAppDispatch } from '../recipes/useRecipeState';
import { batchName } from './batchWords';

interface PromoteBatchProps {
  readonly opened: OpenBatchDto;
  readonly recipe: Recipe;
  readonly kitchen: Kitchen;
  readonly onPutAway: () => void;
}

const NOTHING = { changes: [], lost: [] };

/** What was done otherwise, taken into the recipe or kept beside it; and the batch put away. */
export function PromoteBatch({ opened, recipe, kitchen, onPutAway }: PromoteBatchProps) {
  const { document: batch } = opened;
  const found = useMemo(() => computed(() => batchChanges(batch, recipe, kitchen)), [batch, recipe, kitchen]);
  const { changes, lost } = found.ok ? found.made : NOTHING;
  const dispatch = useAppDispatch();
  const [save] = useSaveRecipeMutation();
  const [putAway] = useArchiveBatchMutation();
  const [takeOut] = useRestoreBatchMutation();
  const navigate = useNavigate();
  const say = useToast();
  const write = async (make: (now: Recipe) => Recipe | undefined, told: string) => {
    try {
      const { document, revision } = await openedRecipe(recipe.id, dispatch);
      const next = make(document);
      if (!next) return;
      const written = await save({ id: recipe.id, saveRecipeDto: { revision, document: next } }).unwrap();
      say(told, {
        label: 'Undo',
        run: () => void save({ id: recipe.id, saveRecipeDto: { revision: written.revision, document } }),
      });
    } catch (error) {
      say(problemText(problemOf(error)));
    }
  };
  const name = `Batch of ${dayText(batch.date, false)}`;
  const taken = () =>
    write(
      (now) => ({
        ...variantRecipe(now, { changes: batchChanges(batch, now, kitchen).changes }),
        ...(now.variants ? { variants: now.variants } : {}),
      }),
      `The recipe is as the ${batchName(batch.date)} was cooked.`,
    );
  const kept = () =>
    write((now) => {
      if (now.variants?.some((one) => one.name === name)) {
        say(`“${name}” is kept as a variant already.`);
        return undefined;
      }
      return { ...now, variants: [...(now.variants ?? []), { name, changes: [...batchChanges(batch, now, kitchen).changes] }] };
    }, `It is kept as the variant “${name}”.`);
  const edits = useMay('edit');
  const away = async () => {
    await putAway({ id: batch.id }).unwrap();
    onPutAway();
    say('The batch is put away; nothing is learned from it.', {
      label: 'Undo',
      run: () =>
        void takeOut({ id: batch.id })
          .unwrap()
          .then(() => navigate(`/batches/${recipe.id}?batch=${batch.id}`)),
    });
  };
  return (
    <div className="batch-acts">
      {edits && changes.length > 0 && (
        <>
          <Button onClick={() => void taken()}>Take {dayText(batch.date, false)} into the recipe</Button>
          <Button onClick={() => void kept()}>Keep as a variant</Button>
          <p className="text-small muted">
            {changes.length === 1 ? 'One change' : `${changes.length} changes`}, at the recipe’s own size
            {(batch.discards?.length ?? 0) > 0 && '; what was thrown away is not among them'}.
            {lost.length > 0 && <span className="warn"> ▲ Not to be taken along, its line is gone: {lost.join(', ')}.</span>}
          </p>
        </>
      )}
      <IfMay right="cook">
        <Button
          kind="quiet"
          className="text-small"
          onClick={() => void away().catch((error: unknown) => say(problemText(problemOf(error))))}
        >
          Put this batch away
        </Button>
      </IfMay>
    </div>
  );
}
