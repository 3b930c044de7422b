import { newUuid } from '../../api/newUuid';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { editedBatch, type Batch, type BatchEdit } from '@portiona/core';
import { api, useOpenBatchQuery, type EditedBatchDto, type OpenBatchDto } from '../../api/api.gen';
import { problemOf, problemText, problemType } from '../../api/problem';
import { useApiDispatch } from '../../api/useApiDispatch';
import { forgetEdits, keepBatch, keepEdit, keptBatch, waitingEdits, type WaitingEdit } from './cookStore';

/** Milliseconds: how often a batch is looked at for what another device has measured. */
const LOOK = 5_000;
/** Milliseconds before what waits is sent again, the longer the longer nobody answers. */
const PAUSES = [1_000, 2_000, 4_000, 8_000, 15_000];
/** Sent in one request at most. */
const AT_ONCE = 50;

export interface Cooked {
  /** As it is with everything that was measured here, whether it has reached the kitchen or not. */
  readonly batch: Batch | undefined;
  readonly opened: OpenBatchDto | undefined;
  readonly say: (edit: BatchEdit) => void;
  /** How many things are kept here and not there yet. */
  readonly waiting: number;
  /** What cannot be kept, and why. */
  readonly refused: readonly string[];
  /** Why nothing can be shown. */
  readonly trouble: string | undefined;
}

/**
 * A batch being cooked. What is measured is in the browser at once and in the kitchen when it can be, in order, each thing once; what
 * another device measures comes in beside it.
 */
export function useCook(id: string): Cooked {
  const { currentData, error } = useOpenBatchQuery({ id }, { pollingInterval: LOOK, refetchOnMountOrArgChange: true });
  const [kept, setKept] = useState<OpenBatchDto>();
  const [looked, setLooked] = useState(false);
  const [waiting, setWaiting] = useState<readonly WaitingEdit[]>([]);
  /** Said, and not in the browser's keeping yet. */
  const [taken, setTaken] = useState<readonly WaitingEdit[]>([]);
  const [refused, setRefused] = useState<readonly string[]>([]);
  const dispatch = useApiDispatch();
  const sending = useRef(false);
  const [answered, setAnswered] = useState<EditedBatchDto>();
  const base = currentData ?? kept;
  // What was asked before something was sent may be answered after it.
  const opened = useMemo(
    () => (base && answered && answered.id === base.id && answered.revision > base.revision ? withEdited(base, answered) : base),
    [base, answered],
  );

  useEffect(() => {
    void waitingEdits(id).then(setWaiting, () => undefined);
    void keptBatch(id)
      .then(setKept, () => undefined)
      .finally(() => setLooked(true));
  }, [id]);
  useEffect(() => {
    if (currentData) void keepBatch(currentData).catch(() => undefined);
  }, [currentData]);

  const flush = useCallback(async (): Promise<boolean> => {
    if (sending.current) return true;
    sending.current = true;
    try {
      for (;;) {
        const next = (await waitingEdits(id)).slice(0, AT_ONCE);
        if (next.length === 0) return true;
        const asked = dispatch(
          api.endpoints.editBatch.initiate({ id, batchEditsDto: { edits: next.map((one) => ({ id: one.id, edit: one.edit })) } }),
        );
        const answer = await asked.unwrap();
        const sent = new Set(next.map((one) => one.id));
        await forgetEdits(id, sent);
        setAnswered(answer);
        setWaiting((before) => before.filter((one) => !sent.has(one.id)));
        if (answer.refused.length > 0) setRefused((before) => [...before, ...answer.refused.map(({ because }) => because)]);
      }
    } catch (failed) {
      const problem = problemOf(failed);
      // What the kitchen will never take is told and let go; anything else is sent again. A kitchen that lets nobody in for now is one that may again.
      if (problem.status === 422 || (problem.status === 404 && problemType(failed) === 'not-found')) {
        const [first] = await waitingEdits(id);
        if (first) {
          await forgetEdits(id, new Set([first.id]));
          setWaiting((before) => before.filter((one) => one.id !== first.id));
          setRefused((before) => [...before, problemText(problem)]);
        }
      }
      return false;
    } finally {
      sending.current = false;
    }
  }, [id, dispatch]);

  const count = waiting.length;
  useEffect(() => {
    if (count === 0) return undefined;
    let tries = 0;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let over = false;
    const go = async () => {
      if (over || (await flush()) || over) return;
      timer = setTimeout(() => void go(), PAUSES[Math.min(tries++, PAUSES.length - 1)]);
    };
    void go();
    const onLine = () => void flush();
    window.addEventListener('online', onLine);
    return () => {
      over = true;
      clearTimeout(timer);
      window.removeEventListener('online', onLine);
    };
  }, [count, flush]);

  const say = useCallback(
    (edit: BatchEdit) => {
      const one = { id: newUuid(), batch: id, edit };
      // Seen at once: what is pressed next starts from it.
      setTaken((before) => [...before, one]);
      const done = () => setTaken((before) => before.filter((other) => other.id !== one.id));
      // Kept first; a browser that keeps nothing still sends it.
      void keepEdit(one).then(
        () => {
          setWaiting((before) => [...before, one]);
          done();
        },
        () => void dispatch(api.endpoints.editBatch.initiate({ id, batchEditsDto: { edits: [{ id: one.id, edit }] } })).then(done),
      );
    },
    [id, dispatch],
  );
  const batch = useMemo(
    () => opened && [...waiting, ...taken].reduce((sofar, { edit }) => editedBatch(sofar, edit), opened.document),
    [opened, waiting, taken],
  );
  return {
    batch,
    opened,
    say,
    waiting: count + taken.length,
    refused,
    trouble: opened || !error || !looked ? undefined : problemText(problemOf(error)),
  };
}

function withEdited(before: OpenBatchDto, { revision, savedAt, document }: EditedBatchDto): OpenBatchDto {
  return {
    ...before,
    revision,
    savedAt,
    document,
    siblings: before.siblings.map((one) => (one.id === document.id ? document : one)),
  };
}
