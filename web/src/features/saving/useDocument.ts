import { useCallback, useEffect, useRef, useState } from 'react';
import { problemText } from '../../api/problem';
import { pauseAfter } from './pace';
import { tellNotTaken } from '../account/changesNotTaken';
import type { Saver } from './saver';

/** Long enough to finish a number. */
const QUIET_MS = 400;
/** Changes that can be undone. */
const MOST_STEPS = 100;

/** A document as the server has it. */
export interface SavedDocument<Document> {
  readonly revision: number;
  readonly document: Document;
}

export type DocumentState<Document> =
  | { readonly kind: 'saved' | 'waiting' | 'saving' }
  | { readonly kind: 'trouble'; readonly text: string }
  | { readonly kind: 'stale'; readonly theirs: SavedDocument<Document> };

/** A document that is worked on. */
export interface DocumentHere<Document> {
  readonly document: Document;
  readonly state: DocumentState<Document>;
  readonly change: (next: (document: Document) => Document) => void;
  readonly undo: (() => void) | undefined;
  readonly redo: (() => void) | undefined;
  readonly takeTheirs: () => void;
  readonly saveMine: () => void;
}

interface Named {
  readonly id: string;
}

interface UsedDocument<Document extends Named> {
  /** As it was opened; undefined while it is on its way. Revision 0: it is not there yet, and its first save makes it. */
  readonly opened: SavedDocument<Document> | undefined;
  readonly saver: Saver<Document, SavedDocument<Document>>;
  readonly send: (revision: number, document: Document) => Promise<SavedDocument<Document>>;
  /** Whether whoever works on it may change it; a change of somebody else's is not taken, and that is told. */
  readonly may: boolean;
  /** What is opened or taken up again, made sound. */
  readonly sound?: (document: Document) => Document;
}

/**
 * A document being worked on: saved by itself once the person pauses, each save on the revision before; what is not saved yet is kept in
 * the browser, and taken up again.
 */
export function useDocument<Document extends Named>({
  opened,
  saver,
  send,
  may,
  sound = (document) => document,
}: UsedDocument<Document>): DocumentHere<Document> | undefined {
  const { drafts } = saver;
  const [document, setDocument] = useState<Document>();
  const [state, setState] = useState<DocumentState<Document>>({ kind: 'saved' });
  const [past, setPast] = useState<readonly Document[]>([]);
  const [future, setFuture] = useState<readonly Document[]>([]);
  const latest = useRef<Document>(undefined);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const failures = useRef(0);
  const flushLater = useRef<(after: number) => void>(() => undefined);
  const sending = useRef(send);
  useEffect(() => {
    sending.current = send;
  }, [send]);

  const flush = useCallback(async () => {
    clearTimeout(timer.current);
    const sent = latest.current;
    if (!sent) return;
    const outcome = await saver.save(sent.id, sent, {
      begun: () => setState({ kind: 'saving' }),
      send: (revision, tidy) => sending.current(revision, tidy),
    });
    if (outcome.kind === 'saved') {
      failures.current = 0;
      setState({ kind: latest.current === sent ? 'saved' : 'waiting' });
      return;
    }
    const { problem } = outcome;
    if (problem.current) return setState({ kind: 'stale', theirs: problem.current as unknown as SavedDocument<Document> });
    setState({
      kind: 'trouble',
      text: `${problemText(problem)}${outcome.kind === 'undecided' ? ' It is kept here, and sent again by itself.' : ''}`,
    });
    if (outcome.kind === 'undecided') flushLater.current(pauseAfter(failures.current++));
  }, [saver]);
  useEffect(() => {
    flushLater.current = (after) => {
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void flush(), after);
    };
  }, [flush]);

  const id = opened?.document.id;
  useEffect(() => {
    if (!opened) return;
    const kept = drafts.of(opened.document.id);
    if (latest.current?.id === opened.document.id) {
      // Saved elsewhere, and nothing of this page's own is on its way: what is there now is shown.
      if (kept || opened.revision <= saver.revisionOf(opened.document.id)) return;
      latest.current = opened.document;
      saver.standsAt(opened.document.id, opened.revision);
      setDocument(opened.document);
      return;
    }
    const begun = sound(kept?.document ?? opened.document);
    latest.current = begun;
    setDocument(begun);
    setState({ kind: 'saved' });
    setPast([]);
    setFuture([]);
    saver.standsAt(begun.id, kept?.revision ?? opened.revision);
    if (kept) {
      saver.takenUp(begun.id, kept.document);
      flushLater.current(0);
    }
    // Only as it was opened, and when it stands at another revision.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [id, opened?.revision]);

  const put = (next: Document, waits = state.kind !== 'stale') => {
    latest.current = next;
    setDocument(next);
    drafts.keep(next.id, { revision: saver.revisionOf(next.id), document: next });
    if (!waits) return;
    setState({ kind: 'waiting' });
    flushLater.current(QUIET_MS);
  };
  if (!opened || !document || document.id !== id) return undefined;
  const [undone, redone] = [past.at(-1), future.at(-1)];
  return {
    ...{ document, state },
    change: (next) => {
      if (!may) return tellNotTaken();
      const before = latest.current ?? document;
      const after = next(before);
      if (JSON.stringify(after) === JSON.stringify(before)) return;
      setPast([...past.slice(-MOST_STEPS), before]);
      setFuture([]);
      put(after);
    },
    undo:
      undone &&
      (() => {
        setPast(past.slice(0, -1));
        setFuture([...future, document]);
        put(undone);
      }),
    redo:
      redone &&
      (() => {
        setFuture(future.slice(0, -1));
        setPast([...past, document]);
        put(redone);
      }),
    takeTheirs: () => {
      if (state.kind !== 'stale') return;
      const { theirs } = state;
      saver.standsAt(theirs.document.id, theirs.revision);
      setPast([...past, document]);
      latest.current = theirs.document;
      setDocument(theirs.document);
      drafts.forget(theirs.document.id);
      setState({ kind: 'saved' });
    },
    saveMine: () => {
      if (state.kind !== 'stale') return;
      saver.standsAt(state.theirs.document.id, state.theirs.revision);
      void flush();
    },
  };
}
