import { recipeChanges, type Recipe } from '@portiona/core';
import { useKeepVersionMutation } from '../api/api.gen';
import { isPassing, problemText } from '../api/problem';
import { faultPlace } from '../features/recipes/faultPlace';
import { faultWords } from '../features/recipes/faultWords';
import { recipeActions } from '../features/recipes/recipeSlice';
import { useAppDispatch, useRecipeState } from '../features/recipes/useRecipeState';
import { changeSentence } from '../features/versions/versionWords';
import { clockText } from '../ui/timeText';
import { useToast } from '../ui/Toasts';
import { useShowFault } from './useShowFault';
import { Button } from '../ui/Button';

/** Told under the head: a save that was refused, or one that somebody else's came before. Nothing of one's own is lost. */
export function SaveNotice() {
  const dispatch = useAppDispatch();
  const { saveState, problem, present } = useRecipeState();
  const [keep] = useKeepVersionMutation();
  const say = useToast();
  const show = useShowFault(present?.id ?? '');
  if (!problem || !present) return null;
  const at = problem.faults.find(({ path }) => faultPlace(path))?.path;
  if (saveState === 'refused')
    return (
      <div className="notice" role="alert">
        <p>
          <b>Not saved.</b> {faultWords(problem, present)} What you wrote is kept here; mend it and it is saved.
        </p>
        {at !== undefined && <Button onClick={() => show(at)}>Show me where</Button>}
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
  const { current: theirs } = problem;
  const changes = recipeChanges(present, theirs.document as Recipe, () => undefined).map(changeSentence);
  const saveOver = () => {
    const kept = { id: present.id, revision: theirs.revision, keepVersionDto: { because: 'overwritten' as const } };
    keep(kept)
      .unwrap()
      .catch(() => say('What is there is not kept as a version; it stays among the drafts for an hour.'));
    dispatch(recipeActions.mineKept(undefined));
  };
  return (
    <div className="notice" role="alert">
      <p>
        <b>Saved elsewhere at {clockText(theirs.savedAt)}.</b> Yours is kept here and not written over it.{' '}
        {changes.length > 0 && (
          <span className="muted">
            There: {changes.slice(0, 4).join('; ')}
            {changes.length > 4 && ` and ${changes.length - 4} more`}.
          </span>
        )}
      </p>
      <Button onClick={() => dispatch(recipeActions.theirsTaken(undefined))}>Take what is there</Button>
      <Button kind="main" onClick={saveOver}>
        Save mine over it
      </Button>
    </div>
  );
}
