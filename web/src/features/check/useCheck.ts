import { useEffect, useMemo, useRef, useState } from 'react';
import type { CardDrift, CheckedRecipe, Finding, Kitchen, Recipe } from '@portiona/core';
import { useMay } from '../account/useMe';
import type { CheckSaid, CheckTask } from './check.worker';

/** What Check says of the dish at hand. */
export interface CheckHere {
  /** What was found last; undefined until the first answer. While `isBehind`, it is of the dish as it was a moment ago. */
  readonly checked: CheckedRecipe | undefined;
  readonly isBehind: boolean;
  /** Why it cannot be checked. */
  readonly failed: string | undefined;
  /** Starts the worker anew after it failed. */
  readonly again: () => void;
  /** Open findings by where they stand. */
  readonly byPlace: ReadonlyMap<string, readonly Finding[]>;
}

/** Pause after a key before the dish is checked: the docket comes first. */
const PAUSE_MS = 120;
const NO_DRIFT: readonly CardDrift[] = [];

interface Run {
  worker: Worker | undefined;
  kitchen: Kitchen | undefined;
  asked: number;
  answered: number;
  next: (() => void) | undefined;
}

/** Checks a dish in a worker as it is typed: one question at a time, and always the newest. */
export function useCheck(recipe: Recipe | undefined, kitchen: Kitchen | undefined, drift: readonly CardDrift[] = NO_DRIFT): CheckHere {
  const [said, setSaid] = useState<{ readonly of: Recipe; readonly checked: CheckedRecipe }>();
  const [failed, setFailed] = useState<string>();
  const [started, setStarted] = useState(0);
  const run = useRef<Run>({ worker: undefined, kitchen: undefined, asked: 0, answered: 0, next: undefined });
  useEffect(() => {
    const here = run.current;
    return () => {
      here.worker?.terminate();
      Object.assign(here, { worker: undefined, kitchen: undefined, next: undefined, answered: here.asked });
    };
  }, []);
  useEffect(() => {
    if (!recipe || !kitchen) return;
    const here = run.current;
    const fail = (because: string) => {
      here.worker?.terminate();
      Object.assign(here, { worker: undefined, kitchen: undefined, next: undefined, answered: here.asked });
      setFailed(because);
    };
    const ask = () => {
      if (!here.worker) {
        here.worker = new Worker(new URL('./check.worker.ts', import.meta.url), { type: 'module' });
        here.worker.onerror = (event) => {
          event.preventDefault();
          fail(event.message === '' ? 'the part of the page that checks could not be started' : event.message);
        };
      }
      const { worker } = here;
      if (here.kitchen !== kitchen) {
        worker.postMessage({ kitchen: kitchen.content } satisfies CheckTask);
        here.kitchen = kitchen;
      }
      const id = ++here.asked;
      worker.onmessage = ({ data }: MessageEvent<CheckSaid>) => {
        here.answered = data.id;
        if (data.id === id) {
          if ('failed' in data) setFailed(data.failed);
          else {
            setFailed(undefined);
            setSaid({ of: recipe, checked: data.checked });
          }
        }
        const { next } = here;
        here.next = undefined;
        next?.();
      };
      worker.postMessage({ id, recipe, drift } satisfies CheckTask);
    };
    // What is under way is let end; of what comes meanwhile only the newest is asked.
    const timer = setTimeout(() => {
      if (here.answered < here.asked) here.next = ask;
      else ask();
    }, PAUSE_MS);
    return () => clearTimeout(timer);
  }, [recipe, kitchen, drift, started]);
  const own = said && recipe && said.of.id === recipe.id ? said : undefined;
  const showsCosts = useMay('costs');
  const checked = useMemo(() => own && (showsCosts ? own.checked : withoutPrices(own.checked)), [own, showsCosts]);
  const byPlace = useMemo(() => placed(checked?.open ?? []), [checked]);
  return {
    checked,
    isBehind: own?.of !== recipe,
    failed,
    again: () => {
      setFailed(undefined);
      setStarted((before) => before + 1);
    },
    byPlace,
  };
}

/** What is found of prices says nothing to whom costs are not shown: to them nothing has a price. */
function withoutPrices(checked: CheckedRecipe): CheckedRecipe {
  return { ...checked, open: checked.open.filter(({ code }) => code !== 'no-price' && code !== 'stale-price') };
}

function placed(findings: readonly Finding[]): ReadonlyMap<string, readonly Finding[]> {
  const by = new Map<string, readonly Finding[]>();
  for (const one of findings) by.set(one.at, [...(by.get(one.at) ?? []), one]);
  return by;
}

/** How a dish stands to Check, in a sign and in words: what is on the station's tab. */
export function checkSign({ checked, failed }: CheckHere): { readonly sign: string; readonly words: string; readonly tone: string } {
  if (failed !== undefined) return { sign: '?', words: 'not checked', tone: 'warn' };
  if (!checked) return { sign: '…', words: 'being checked', tone: '' };
  const wrong = checked.open.filter(({ severity }) => severity === 'wrong').length;
  const look = checked.open.length - wrong;
  if (wrong > 0) return { sign: String(wrong), words: `${wrong} wrong, ${look} to look at`, tone: 'bad' };
  if (look > 0) return { sign: '▲', words: `${look} to look at`, tone: 'warn' };
  return { sign: '✓', words: 'nothing to look at', tone: 'good' };
}
