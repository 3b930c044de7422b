import { useEffect } from 'react';
import { api, addTagTypes } from '../../api/api.gen';
import { useApiDispatch } from '../../api/useApiDispatch';
import { listen } from './liveEvents';

type Tag = (typeof addTagTypes)[number];

/** What is asked anew when something of a kind was changed: its first word in the address says the kind. */
const ANEW: Readonly<Record<string, readonly Tag[]>> = {
  recipes: ['recipes', 'cards', 'series'],
  foods: ['foods', 'recipes'],
  packs: ['packs', 'recipes', 'shopping'],
  batches: ['batches', 'shopping', 'weeks'],
  sessions: ['sessions', 'shopping', 'weeks'],
  weeks: ['weeks'],
  people: ['weeks'],
  stock: ['shopping'],
  shopping: ['shopping'],
  settings: ['kitchen'],
  members: ['members', 'account'],
  membership: ['members'],
  invitations: ['members'],
  tokens: ['members'],
  notes: ['notes'],
  'readers-address': ['readers'],
  series: ['series', 'cards'],
  merges: ['foods', 'recipes', 'packs'],
  imports: ['kitchen', 'foods', 'packs', 'recipes', 'batches', 'sessions', 'weeks'],
  receipts: ['packs', 'receipts'],
};
/** Milliseconds: somebody who writes saves several times a second, and is read once for all of them. */
const TOGETHER = 1500;

/** Has lists show what others do, a moment after they did it. */
export function useLiveLists(): void {
  const dispatch = useApiDispatch();
  useEffect(() => {
    const stale = new Set<Tag>();
    let waiting: ReturnType<typeof setTimeout> | undefined;
    const note = (tags: readonly Tag[]) => {
      for (const tag of tags) stale.add(tag);
      waiting ??= setTimeout(() => {
        waiting = undefined;
        dispatch(api.util.invalidateTags([...stale]));
        stale.clear();
      }, TOGETHER);
    };
    const end = listen({
      deed: ({ to }) => note([...(to.includes('/notes') ? (['notes'] as const) : (ANEW[to.split('/')[0] ?? ''] ?? []))]),
      missed: () => note(Object.values(ANEW).flat()),
    });
    return () => {
      clearTimeout(waiting);
      end();
    };
  }, [dispatch]);
}
