import { useCallback } from 'react';
import { withoutGoneSteps, type Recipe, type Session } from '@portiona/core';
import { useOpenSessionQuery, useSaveSessionMutation, type SavedSessionDto } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { useMay } from '../account/useMe';
import { LocalDrafts } from '../saving/localDrafts';
import { Saver } from '../saving/saver';
import { useDocument, type DocumentHere } from '../saving/useDocument';

const saver = new Saver<Session, SavedSessionDto>(new LocalDrafts<Session>('session'));

/** A session that is worked on. */
export interface SessionHere extends Omit<DocumentHere<Session>, 'document'> {
  readonly session: Session;
  readonly recipes: readonly Recipe[];
}

/** A session being worked on, saved by itself; what it notes of steps that are gone since is left out. */
export function useSession(id: string): {
  readonly here: SessionHere | undefined;
  readonly trouble: string | undefined;
  readonly reload: () => void;
} {
  const { currentData: found, error, refetch } = useOpenSessionQuery({ id }, { refetchOnMountOrArgChange: true });
  const [save] = useSaveSessionMutation();
  const may = useMay('cook');
  const send = useCallback(
    (revision: number, document: Session) => save({ id: document.id, saveSessionDto: { revision, document } }).unwrap(),
    [save],
  );
  const here = useDocument({
    ...{ opened: found, saver, send, may },
    sound: (session) => withoutGoneSteps(session, new Map(found?.recipes.map((recipe) => [recipe.id, recipe]))),
  });
  const trouble = error && !here ? problemText(problemOf(error)) : undefined;
  const reload = () => void refetch();
  if (!here || !found) return { here: undefined, trouble, reload };
  const { document: session, ...rest } = here;
  return { here: { ...rest, session, recipes: found.recipes }, trouble, reload };
}
