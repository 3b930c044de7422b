import { useCallback, useEffect, useRef, useState } from 'react';
import { sameDocument, type Food } from '@portiona/core';
import { useCreateFoodMutation, useSaveFoodMutation, type SavedFoodDto } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { underFreeId } from '../../api/underFreeId';
import { tellNotTaken } from '../account/changesNotTaken';
import { useMay } from '../account/useMe';
import { LocalDrafts } from '../saving/localDrafts';
import { pauseAfter } from '../saving/pace';
import { Saver } from '../saving/saver';

/** Long enough to finish a number. */
const QUIET_MS = 600;

/** Foods that were written on and have not reached the server; one that is not in the pantry yet goes by no id. */
export const foodDrafts = new LocalDrafts<Food>('food');
const saver = new Saver<Food, SavedFoodDto>(foodDrafts);
const UNBORN = '';

export type DraftState =
  | { readonly kind: 'saved' | 'waiting' | 'saving' }
  | { readonly kind: 'trouble'; readonly text: string }
  /** Saved elsewhere meanwhile: what is written here waits for the person to say which is to be. */
  | { readonly kind: 'stale'; readonly theirs: SavedFoodDto };

/** A food that is being edited. */
export interface FoodDraft {
  readonly food: Food;
  readonly state: DraftState;
  /** It was written on before, and is taken up again. */
  readonly takenUp: boolean;
  readonly change: (next: Partial<Food>) => void;
  /** Adds a new food to the pantry. */
  readonly add: () => Promise<void>;
  /** Begins a new food afresh. */
  readonly startAfresh: () => void;
  readonly takeTheirs: () => void;
  readonly saveMine: () => void;
}

/**
 * A food being edited: saved by itself once the person pauses, made on its first name when it is new. What was typed is kept in the
 * browser until the server has it, and is taken up again.
 *
 * @param fresh what a new food starts from
 * @param onAdded where to go once a new food is in the pantry
 */
export function useFoodDraft(
  saved: SavedFoodDto | undefined,
  taken: ReadonlySet<string>,
  fresh: Food,
  onAdded: (added: SavedFoodDto) => void,
): FoodDraft {
  const [kept] = useState(() => keptOf(saved, fresh));
  const [food, setFood] = useState<Food>(kept?.document ?? saved?.document ?? fresh);
  const [state, setState] = useState<DraftState>({ kind: 'saved' });
  const [takenUp, setTakenUp] = useState(kept !== undefined);
  const [save] = useSaveFoodMutation();
  const may = useMay('edit');
  const [create] = useCreateFoodMutation();
  const latest = useRef(food);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const failures = useRef(0);
  const flushLater = useRef<(after: number) => void>(() => undefined);
  const id = saved?.id;

  const flush = useCallback(async () => {
    clearTimeout(timer.current);
    timer.current = undefined;
    const sent = latest.current;
    const outcome = await saver.save(sent.id, sent, {
      begun: () => setState({ kind: 'saving' }),
      send: (revision, document) => save({ id: document.id, saveFoodDto: { revision, document } }).unwrap(),
    });
    if (outcome.kind === 'saved') {
      failures.current = 0;
      setState({ kind: latest.current === sent ? 'saved' : 'waiting' });
      return;
    }
    const { problem } = outcome;
    if (problem.current) return setState({ kind: 'stale', theirs: problem.current as SavedFoodDto });
    const undecided = outcome.kind === 'undecided';
    setState({
      kind: 'trouble',
      text: `${problemText(problem)}${undecided && problem.status !== 0 ? ' It is kept here, and sent again by itself.' : ''}`,
    });
    if (undecided) flushLater.current(pauseAfter(failures.current++));
  }, [save]);
  useEffect(() => {
    flushLater.current = (after) => {
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void flush(), after);
    };
  }, [flush]);

  // What was kept from before is the person's own, made on the revision it was kept with: another's save since then is told.
  useEffect(() => {
    if (saved === undefined) return;
    saver.standsAt(saved.id, kept?.revision ?? saved.revision);
    if (!kept) return;
    saver.takenUp(saved.id, kept.document);
    flushLater.current(0);
    // Only of the food as it was opened.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [id]);

  const put = (next: Food) => {
    latest.current = next;
    setFood(next);
  };

  const change = (next: Partial<Food>) => {
    if (!may) return tellNotTaken();
    const changed = Object.fromEntries(
      Object.entries({ ...latest.current, ...next }).filter(([, held]) => held !== undefined),
    ) as unknown as Food;
    put(changed);
    foodDrafts.keep(changed.id, { revision: saver.revisionOf(changed.id), document: changed });
    // What waits for a decision is kept here, and not sent over what is there.
    if (changed.id === UNBORN || changed.name.trim() === '' || state.kind === 'stale') return;
    setState({ kind: 'waiting' });
    flushLater.current(QUIET_MS);
  };

  const add = async () => {
    const food = latest.current;
    try {
      const added = await underFreeId(food.name, taken, (free) => create({ newFoodDto: { document: { ...food, id: free } } }).unwrap());
      foodDrafts.forget(UNBORN);
      onAdded(added);
    } catch (error) {
      setState({ kind: 'trouble', text: problemText(problemOf(error)) });
    }
  };

  const startAfresh = () => {
    foodDrafts.forget(UNBORN);
    setTakenUp(false);
    put(fresh);
  };

  const takeTheirs = () => {
    if (state.kind !== 'stale') return;
    saver.standsAt(state.theirs.id, state.theirs.revision);
    foodDrafts.forget(state.theirs.id);
    put(state.theirs.document);
    setState({ kind: 'saved' });
  };

  const saveMine = () => {
    if (state.kind !== 'stale') return;
    saver.standsAt(state.theirs.id, state.theirs.revision);
    void flush();
  };

  // What waits is sent when the food is left.
  useEffect(
    () => () => {
      if (timer.current !== undefined) void flush();
    },
    [flush],
  );
  return { food, state, takenUp, change, add, startAfresh, takeTheirs, saveMine };
}

/** What was typed of a food before and did not reach the server; of a new one, where it is begun by the same name or none. */
function keptOf(saved: SavedFoodDto | undefined, fresh: Food) {
  const kept = foodDrafts.of(saved?.id ?? UNBORN);
  if (!kept || sameDocument(kept.document, saved?.document ?? fresh)) return undefined;
  return saved || fresh.name === '' || kept.document.name.toLowerCase().startsWith(fresh.name.toLowerCase()) ? kept : undefined;
}
