import { useCallback, useEffect, useRef, useState } from 'react';
import { withoutGoneSteps, type Recipe, type Session } from '@portiona/core';
import { useOpenSessionQuery, useSaveSessionMutation, type SavedSessionDto } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { LocalDrafts } from '../saving/localDrafts';
import { pauseAfter } from '../saving/pace';
import { Saver } from '../saving/saver';

/** Long enough to finish a number. */
const QUIET_MS = 400;
/** Changes that can be undone. */
const MOST_STEPS = 100;

const drafts = new LocalDrafts<Session>('portiona-session:');
const saver = new Saver<Session, SavedSessionDto>(drafts);

export type SessionState =
  | { readonly kind: 'saved' | 'waiting' | 'saving' }
  | { readonly kind: 'trouble'; readonly text: string }
  | { readonly kind: 'stale'; readonly theirs: SavedSessionDto };

/** A session that is worked on. */
export interface SessionHere {
  readonly session: Session;
  readonly recipes: readonly Recipe[];
  readonly state: SessionState;
  readonly change: (next: (session: Session) => Session) => void;
  readonly undo: (() => void) | undefined;
  readonly redo: (() => void) | undefined;
  readonly takeTheirs: () => void;
  readonly saveMine: () => void;
}

/**
 * A session being worked on: saved by itself once the person pauses, each save on the revision before; what is not saved yet is kept
 * in the browser, and taken up again.
 */
export function useSession(id: string): {
  readonly here: SessionHere | undefined;
  readonly trouble: string | undefined;
  readonly reload: () => void;
} {
  const opened = useOpenSessionQuery({ id }, { refetchOnMountOrArgChange: true });
  const { currentData: found, error } = opened;
  const [session, setSession] = useState<Session>();
  const [state, setState] = useState<SessionState>({ kind: 'saved' });
  const [past, setPast] = useState<readonly Session[]>([]);
  const [future, setFuture] = useState<readonly Session[]>([]);
  const [save] = useSaveSessionMutation();
  const latest = useRef<Session>(undefined);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const failures = useRef(0);
  const flushLater = useRef<(after: number) => void>(() => undefined);

  const flush = useCallback(async () => {
    clearTimeout(timer.current);
    const sent = latest.current;
    if (!sent) return;
    const outcome = await saver.save(sent.id, sent, {
      begun: () => setState({ kind: 'saving' }),
      send: (revision, document) => save({ id: document.id, saveSessionDto: { revision, document } }).unwrap(),
    });
    if (outcome.kind === 'saved') {
      failures.current = 0;
      setState({ kind: latest.current === sent ? 'saved' : 'waiting' });
      return;
    }
    const { problem } = outcome;
    if (problem.current) return setState({ kind: 'stale', theirs: problem.current as SavedSessionDto });
    setState({
      kind: 'trouble',
      text: `${problemText(problem)}${outcome.kind === 'undecided' ? ' It is kept here, and sent again by itself.' : ''}`,
    });
    if (outcome.kind === 'undecided') flushLater.current(pauseAfter(failures.current++));
  }, [save]);
  useEffect(() => {
    flushLater.current = (after) => {
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void flush(), after);
    };
  }, [flush]);

  const revision = found?.revision;
  useEffect(() => {
    if (!found || latest.current?.id === found.id) return;
    const kept = drafts.of(found.id);
    const recipes = new Map(found.recipes.map((recipe) => [recipe.id, recipe]));
    const document = withoutGoneSteps(kept?.document ?? found.document, recipes);
    latest.current = document;
    setSession(document);
    setPast([]);
    setFuture([]);
    saver.standsAt(found.id, kept?.revision ?? found.revision);
    if (kept) {
      saver.takenUp(found.id, kept.document);
      flushLater.current(0);
    }
    // Only as it was opened.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [found?.id, revision]);

  const put = (next: Session, waits = state.kind !== 'stale') => {
    latest.current = next;
    setSession(next);
    drafts.keep(next.id, { revision: saver.revisionOf(next.id), document: next });
    if (!waits) return;
    setState({ kind: 'waiting' });
    flushLater.current(QUIET_MS);
  };
  if (error && !session) return { here: undefined, trouble: problemText(problemOf(error)), reload: () => void opened.refetch() };
  if (!found || !session || session.id !== id) return { here: undefined, trouble: undefined, reload: () => void opened.refetch() };
  const change = (next: (session: Session) => Session) => {
    const before = latest.current ?? session;
    const after = next(before);
    if (JSON.stringify(after) === JSON.stringify(before)) return;
    setPast([...past.slice(-MOST_STEPS), before]);
    setFuture([]);
    put(after);
  };
  const [undone, redone] = [past.at(-1), future.at(-1)];
  const here: SessionHere = {
    session,
    recipes: found.recipes,
    state,
    change,
    undo:
      undone &&
      (() => {
        setPast(past.slice(0, -1));
        setFuture([...future, session]);
        put(undone);
      }),
    redo:
      redone &&
      (() => {
        setFuture(future.slice(0, -1));
        setPast([...past, session]);
        put(redone);
      }),
    takeTheirs: () => {
      if (state.kind !== 'stale') return;
      const { theirs } = state;
      saver.standsAt(theirs.id, theirs.revision);
      setPast([...past, session]);
      latest.current = theirs.document;
      setSession(theirs.document);
      drafts.forget(theirs.id);
      setState({ kind: 'saved' });
    },
    saveMine: () => {
      if (state.kind !== 'stale') return;
      saver.standsAt(state.theirs.id, state.theirs.revision);
      void flush();
    },
  };
  return { here, trouble: undefined, reload: () => void opened.refetch() };
}
