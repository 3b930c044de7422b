import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useKeepTicksMutation, useShoppingForQuery, type KeptTickDto, type ShoppingDto } from '../../api/api.gen';
import { isPassing, problemOf, problemText } from '../../api/problem';
import { keepForOffline } from '../cook/keepForOffline';
import { pauseAfter } from '../saving/pace';
import { shoppingHere, shoppingKitchen, type ShoppingHere } from './shoppingRows';
import { keepShopping, keptShopping, shoppingKey, ticksNow, withTick, type Tick } from './shoppingStore';

/** A shopping list that is worked with, here or without a connection. */
export interface ShoppingWork {
  readonly list: ShoppingDto;
  readonly here: ShoppingHere;
  readonly ticks: ReadonlyMap<string, KeptTickDto>;
  readonly tick: (pack: string, state: Tick['state'], count: number, more?: Pick<Tick, 'paid' | 'instead'>) => void;
  /** Ticks that the server has not taken yet. */
  readonly waiting: number;
  /** What is shown was kept here: the server does not answer. */
  readonly offline: boolean;
  readonly refused: string | undefined;
  readonly reload: () => void;
}

/**
 * The shopping list of some sessions. What it is worked out from is kept here, so that it goes on where there is no connection: ticks
 * wait, and are sent as soon as somebody answers.
 */
export function useShopping(sessions: readonly string[]): {
  readonly work: ShoppingWork | undefined;
  readonly trouble: string | undefined;
  readonly reload: () => void;
} {
  const key = shoppingKey(sessions);
  const query = useShoppingForQuery({ sessions: key }, { skip: key === '', refetchOnMountOrArgChange: true });
  const { currentData, error } = query;
  const [send] = useKeepTicksMutation();
  const [kept, setKept] = useState(() => ({ key, ...keptShopping(key) }));
  if (kept.key !== key) setKept({ key, ...keptShopping(key) });
  const [refused, setRefused] = useState<string>();
  const latest = useRef(kept);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const failures = useRef(0);
  const put = useCallback((next: typeof kept) => {
    latest.current = next;
    setKept(next);
    keepShopping(next.key, { list: next.list, unsent: next.unsent });
  }, []);
  useEffect(() => {
    latest.current = kept;
  }, [kept]);
  useEffect(() => {
    if (currentData && latest.current.key === key && latest.current.list !== currentData) put({ ...latest.current, list: currentData });
  }, [currentData, key, put]);
  const flushLater = useRef<(after: number) => void>(() => undefined);
  useEffect(() => {
    const flush = async () => {
      const { unsent, key: of } = latest.current;
      if (unsent.length === 0) return;
      try {
        const ticks = await send({ shoppingTicksDto: { sessions: of.split(','), ticks: unsent } }).unwrap();
        failures.current = 0;
        setRefused(undefined);
        const sent = new Set(unsent);
        const { list } = latest.current;
        put({
          ...latest.current,
          ...(list ? { list: { ...list, ticks } } : {}),
          unsent: latest.current.unsent.filter((tick) => !sent.has(tick)),
        });
        if (latest.current.unsent.length > 0) flushLater.current(0);
      } catch (failed) {
        const problem = problemOf(failed);
        if (isPassing(problem)) flushLater.current(pauseAfter(failures.current++));
        else setRefused(problemText(problem));
      }
    };
    flushLater.current = (after) => {
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void flush(), after);
    };
    flushLater.current(0);
    const online = () => flushLater.current(0);
    window.addEventListener('online', online);
    return () => {
      window.removeEventListener('online', online);
      clearTimeout(timer.current);
    };
  }, [send, put, key]);
  const there = currentData !== undefined;
  useEffect(() => {
    if (there) void keepForOffline();
  }, [there]);
  const list = kept.key === key ? (kept.list ?? currentData) : undefined;
  const kitchen = useMemo(() => list && shoppingKitchen(list), [list]);
  const ticks = useMemo(() => ticksNow(list?.ticks ?? [], kept.unsent), [list, kept.unsent]);
  const here = useMemo(() => list && kitchen && shoppingHere(list, kitchen, ticks), [list, kitchen, ticks]);
  const reload = () => void query.refetch();
  if (!list || !here) return { work: undefined, trouble: error ? problemText(problemOf(error)) : undefined, reload };
  const tick: ShoppingWork['tick'] = (pack, state, count, more = {}) => {
    const at = new Date().toISOString();
    put({
      ...latest.current,
      unsent: withTick(latest.current.unsent, { pack, state, count, at, ...more }),
    });
    flushLater.current(0);
  };
  return {
    work: { list, here, ticks, tick, waiting: kept.unsent.length, offline: error !== undefined, refused, reload },
    trouble: undefined,
    reload,
  };
}
