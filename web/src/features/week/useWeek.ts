import { useCallback, useMemo } from 'react';
import type { Week, WeekGround } from '@portiona/core';
import { useCreateWeekMutation, useOpenWeekQuery, useSaveWeekMutation, type OpenWeekDto, type SavedWeekDto } from '../../api/api.gen';
import { newUuid } from '../../api/newUuid';
import { problemOf, problemText } from '../../api/problem';
import { useMay } from '../account/useMe';
import { LocalDrafts } from '../saving/localDrafts';
import { Saver } from '../saving/saver';
import { useDocument, type DocumentHere } from '../saving/useDocument';
import { emptyWeek } from './weekEdits';

const saver = new Saver<Week, Pick<SavedWeekDto, 'revision' | 'document'>>(new LocalDrafts<Week>('week'));

/** A week that is worked on, with all it is worked out from. */
export interface WeekHere extends Omit<DocumentHere<Week>, 'document'> {
  readonly week: Week;
  readonly opened: OpenWeekDto;
  readonly ground: WeekGround;
}

/**
 * A week being worked on, saved by itself; its first box makes it.
 *
 * @param from ISO day of its Monday
 */
export function useWeek(from: string): {
  readonly here: WeekHere | undefined;
  readonly trouble: string | undefined;
  readonly reload: () => void;
} {
  const { currentData: found, error, refetch } = useOpenWeekQuery({ from }, { refetchOnMountOrArgChange: true });
  const [create] = useCreateWeekMutation();
  const [save] = useSaveWeekMutation();
  const may = useMay('edit');
  const send = useCallback(
    (revision: number, document: Week) =>
      revision === 0
        ? create({ newWeekDto: { document }, 'Idempotency-Key': newUuid() }).unwrap()
        : save({ id: document.id, saveWeekDto: { revision, document } }).unwrap(),
    [create, save],
  );
  const opened = useMemo(() => found && (found.week ?? { revision: 0, document: emptyWeek(from) }), [found, from]);
  const here = useDocument({ opened, saver, send, may });
  const ground = useMemo(
    () =>
      found && {
        people: found.people.map(({ document }) => document),
        pools: found.pools,
        ...{ others: found.others, gone: found.gone, today: found.today },
      },
    [found],
  );
  const trouble = error && !here ? problemText(problemOf(error)) : undefined;
  const reload = () => void refetch();
  if (!here || !found || !ground) return { here: undefined, trouble, reload };
  const { document: week, ...rest } = here;
  return { here: { ...rest, week, opened: found, ground }, trouble, reload };
}
