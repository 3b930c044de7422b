import { lineText, stepOf, type Recipe } from '@portiona/core';
import { isPassing, problemText } from '../api/problem';
import { faultPlace } from '../features/recipes/faultPlace';
import { faultWords } from '../features/recipes/faultWords';
import { recipeActions } from '../features/recipes/recipeSlice';
import { useAppDispatch, useRecipeState } from '../features/recipes/useRecipeState';
import { useShowFault } from './useShowFault';

/** Told under the head: a save that was refused, or one that somebody else's came before. Nothing of one's own is lost. */
export function SaveNotice() {
  const dispatch = useAppDispatch();
  const { saveState, problem, present } = useRecipeState();
  const show = useShowFault(present?.id ?? '');
  if (!problem || !present) return null;
  const at = problem.faults.find(({ path }) => faultPlace(path))?.path;
  if (saveState === 'refused')
    return (
      <div className="notice" role="alert">
        <p>
          <b>Not saved.</b> {faultWords(problem, present)} What you wrote is kept here; mend it and it is saved.
        </p>
        {at !== undefined && (
          <button className="btn" onClick={() => show(at)}>
            Show me where
          </button>
        )}
      </div>
    );
  // An unreached server says nothing; one that is there says why, and it is tried again by itself.
  if (isPassing(problem) && problem.status !== 0)
    return (
      <div className="notice" role="alert">
        <p>
          <b>Not saved yet.</b> {problemText(problem)} What you wrote is kept here, and sent again by itself.
        </p>
      </div>
    );
  if (saveState !== 'stale' || !problem.current) return null;
  const theirs = problem.current.document as Recipe;
  const changes = differences(present, theirs);
  return (
    <div className="notice" role="alert">
      <p>
        <b>Saved elsewhere at {new Date(problem.current.savedAt).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}.</b>{' '}
        Yours is kept here and not written over it.{' '}
        {changes.length > 0 && (
          <span className="muted">
            There: {changes.slice(0, 4).join('; ')}
            {changes.length > 4 && ` and ${changes.length - 4} more`}.
          </span>
        )}
      </p>
      <button className="btn" onClick={() => dispatch(recipeActions.theirsTaken(undefined))}>
        Take what is there
      </button>
      <button className="btn btn-main" onClick={() => dispatch(recipeActions.mineKept(undefined))}>
        Save mine over it
      </button>
    </div>
  );
}

/** What the other version says that this one does not, and the other way round, in words. */
function differences(mine: Recipe, theirs: Recipe): string[] {
  const said = (recipe: Recipe) => [
    `title “${recipe.title}”`,
    `${recipe.servings} servings`,
    ...recipe.parts.flatMap(({ lines }) => lines.map((line) => `“${line.text ?? lineText(line, undefined)}”`)),
    ...(recipe.steps ?? []).map((step) => `step “${stepOf(step).text.slice(0, 40)}”`),
  ];
  const here = new Set(said(mine));
  const there = new Set(said(theirs));
  return [...[...there].filter((one) => !here.has(one)), ...[...here].filter((one) => !there.has(one)).map((one) => `not ${one}`)];
}
