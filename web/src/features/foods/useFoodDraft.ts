import { useCallback, useEffect, useRef, useState } from 'react';
import type { Food } from '@portiona/core';
import { useCreateFoodMutation, useSaveFoodMutation, type SavedFoodDto } from '../../api/api.gen';
import { isPassing, problemOf, problemText } from '../../api/problem';
import { underFreeId } from '../../api/underFreeId';

/** Long enough to finish a number. */
const QUIET_MS = 600;
/** Until a server that could not take it is tried again; each time in a row twice as long, up to the longest. */
const AGAIN_MS = 2500;
const LONGEST_AGAIN_MS = 40_000;

export type DraftState = { readonly kind: 'saved' | 'waiting' | 'saving' } | { readonly kind: 'trouble'; readonly text: string };

/**
 * A food being edited: saved by itself once the person pauses, made on its first name when it is new.
 *
 * @param fresh what a new food starts from
 * @param onAdded where to go once a new food is in the pantry
 */
export function useFoodDraft(
  saved: SavedFoodDto | undefined,
  taken: ReadonlySet<string>,
  fresh: Food,
  onAdded: (added: SavedFoodDto) => void,
) {
  const [food, setFood] = useState<Food>(saved?.document ?? fresh);
  const [state, setState] = useState<DraftState>({ kind: 'saved' });
  const [save] = useSaveFoodMutation();
  const [create] = useCreateFoodMutation();
  const revision = useRef(saved?.revision ?? 0);
  const latest = useRef(food);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const busy = useRef<Promise<void>>(Promise.resolve());
  const again = useRef(AGAIN_MS);
  const retry = useRef<() => void>(undefined);

  const write = useCallback(async () => {
    const sent = latest.current;
    setState({ kind: 'saving' });
    try {
      const answer = await save({ id: sent.id, saveFoodDto: { revision: revision.current, document: sent } }).unwrap();
      revision.current = answer.revision;
      again.current = AGAIN_MS;
      setState(latest.current === sent ? { kind: 'saved' } : { kind: 'waiting' });
    } catch (error) {
      const problem = problemOf(error);
      const passing = isPassing(problem);
      setState({
        kind: 'trouble',
        text: `${problemText(problem)}${passing && problem.status !== 0 ? ' It is kept here, and sent again by itself.' : ''}`,
      });
      if (!passing) return;
      clearTimeout(timer.current);
      timer.current = setTimeout(() => retry.current?.(), again.current);
      again.current = Math.min(LONGEST_AGAIN_MS, again.current * 2);
    }
  }, [save]);

  const flush = useCallback(() => {
    clearTimeout(timer.current);
    timer.current = undefined;
    // One save at a time: each is made on the revision the one before left.
    busy.current = busy.current.then(write);
  }, [write]);
  useEffect(() => void (retry.current = flush), [flush]);

  const change = (next: Partial<Food>) => {
    const changed = Object.fromEntries(
      Object.entries({ ...latest.current, ...next }).filter(([, held]) => held !== undefined),
    ) as unknown as Food;
    latest.current = changed;
    setFood(changed);
    if (changed.id === '' || changed.name.trim() === '') return;
    setState({ kind: 'waiting' });
    clearTimeout(timer.current);
    timer.current = setTimeout(flush, QUIET_MS);
  };

  const add = async () => {
    const food = latest.current;
    try {
      onAdded(await underFreeId(food.name, taken, (id) => create({ newFoodDto: { document: { ...food, id } } }).unwrap()));
    } catch (error) {
      setState({ kind: 'trouble', text: problemText(problemOf(error)) });
    }
  };

  // What waits is sent when the food is left.
  useEffect(
    () => () => {
      if (timer.current !== undefined) flush();
    },
    [flush],
  );
  return { food, change, state, add };
}
