import { useCallback, useEffect, useRef, useState } from 'react';
import type { PlannedMeal, Week, WeekGround, WeekProposal } from '@portiona/core';
import { isAt } from './weekEdits';
import type { WeekSaid, WeekTask } from './week.worker';

/** Seconds that a week is looked for at first, and when it is asked to look longer. */
const SECONDS = { first: 10, longer: 45 } as const;

/** What is proposed for a week, and how far that is. */
export interface ProposalHere {
  readonly state: 'none' | 'looking' | 'there' | 'failed';
  /** Why it failed. */
  readonly why: string | undefined;
  readonly proposal: WeekProposal | undefined;
  /** Boxes of it that are not taken yet. */
  readonly open: readonly PlannedMeal[];
  readonly ask: (longer?: boolean) => void;
  readonly dismiss: () => void;
}

/** Has a week filled in a worker, when somebody asks; whoever dismisses it ends the search. */
export function useProposal(week: Week, ground: WeekGround): ProposalHere {
  const worker = useRef<Worker>(undefined);
  const asked = useRef(0);
  const [state, setState] = useState<ProposalHere['state']>('none');
  const [why, setWhy] = useState<string>();
  const [proposal, setProposal] = useState<WeekProposal>();
  const end = useCallback(() => {
    worker.current?.terminate();
    worker.current = undefined;
  }, []);
  useEffect(() => end, [end]);
  const ask = (longer = false) => {
    end();
    const started = new Worker(new URL('./week.worker.ts', import.meta.url), { type: 'module' });
    const id = ++asked.current;
    const fail = (because: string) => {
      setState('failed');
      setWhy(because);
    };
    started.onmessage = ({ data }: MessageEvent<WeekSaid>) => {
      if (data.id !== asked.current) return;
      end();
      if ('failed' in data) return fail(data.failed);
      setProposal(data.proposal);
      setState('there');
    };
    started.onerror = (event) => {
      event.preventDefault();
      end();
      fail('the search broke off');
    };
    worker.current = started;
    setState('looking');
    setWhy(undefined);
    started.postMessage({ id, week, ground, seconds: longer ? SECONDS.longer : SECONDS.first } satisfies WeekTask);
  };
  const dismiss = () => {
    end();
    asked.current++;
    setProposal(undefined);
    setState('none');
  };
  const open = (proposal?.meals ?? []).flatMap(({ meal }) => (week.meals.some(isAt(meal)) ? [] : [meal]));
  return { state, why, proposal, open, ask, dismiss };
}
