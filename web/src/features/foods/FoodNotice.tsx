import type { Food } from '@portiona/core';
import { clockText } from '../../ui/timeText';
import type { FoodDraft } from './useFoodDraft';
import { Remark } from '../../ui/Remark';
import { Button } from '../../ui/Button';

/** Told under a food's name: what kept it from being saved, whose save came before, what was taken up again. */
export function FoodNotice({ draft, isNew }: { readonly draft: FoodDraft; readonly isNew: boolean }) {
  const { state, food, takenUp, startAfresh, takeTheirs, saveMine } = draft;
  if (state.kind === 'trouble')
    return (
      <Remark tone="bad" role="alert">
        {state.text}
      </Remark>
    );
  if (state.kind === 'stale')
    return (
      <Remark tone="bad" className="food-notice" role="alert">
        <p>
          <b>Saved elsewhere at {clockText(state.theirs.savedAt)}.</b> Yours is kept here and not written over it
          {differing(food, state.theirs.document)}.
        </p>
        <p className="flex gap-2 mt-1.5 flex-wrap">
          <Button onClick={takeTheirs}>Take what is there</Button>
          <Button kind="main" onClick={saveMine}>
            Save mine over it
          </Button>
        </p>
      </Remark>
    );
  if (!takenUp || !isNew) return null;
  return (
    <Remark tone="none">
      <span>
        What you typed before is here again; it is not in the pantry yet.{' '}
        <Button kind="quiet" onClick={startAfresh}>
          Start afresh
        </Button>
      </span>
    </Remark>
  );
}

/** Which parts of the two differ, in words of the sheet. */
function differing(mine: Food, theirs: Food): string {
  const keys = [...new Set([...Object.keys(mine), ...Object.keys(theirs)])] as (keyof Food)[];
  const differ = keys.filter((key) => JSON.stringify(mine[key]) !== JSON.stringify(theirs[key]));
  const figuresOf = ({ nutrients = {} }: Food) => new Map<string, unknown>(Object.entries(nutrients));
  const [own, other] = [figuresOf(mine), figuresOf(theirs)];
  const nutrients = [...new Set([...own.keys(), ...other.keys()])].filter((one) => own.get(one) !== other.get(one));
  const named = [...differ.filter((key) => key !== 'nutrients'), ...nutrients];
  return named.length === 0 ? '' : `; they differ in ${named.join(', ')}`;
}
