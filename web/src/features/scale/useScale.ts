import { useCallback, useEffect, useRef, useState } from 'react';
import type { ScaleOrder } from '@portiona/core';
import { heard, NO_SCALE, type ScaleState } from './scaleState';
import { serialScale, webSocketScale, type ScaleEars, type ScaleLink } from './scaleLink';

/** Which scale is listened to: none, the simulated one, one on a cable. */
export type ScaleKind = 'none' | 'simulated' | 'cable';
const KEPT = 'portiona.scale';
/** Milliseconds before one that is gone is looked for again. */
const AGAIN = 1_500;

export interface Scale {
  readonly kind: ScaleKind;
  readonly state: ScaleState;
  readonly choose: (kind: ScaleKind) => void;
  readonly tell: (order: ScaleOrder) => void;
  /** Why the scale on a cable cannot be reached. */
  readonly trouble: string | undefined;
}

/** The scale beside the stove: chosen once, found again by itself. */
export function useScale(): Scale {
  const [kind, setKind] = useState<ScaleKind>(keptKind);
  const [state, setState] = useState<ScaleState>(NO_SCALE);
  const [trouble, setTrouble] = useState<string>();
  const link = useRef<ScaleLink | undefined>(undefined);
  // Whether it was chosen by a press just now: only then may the browser be asked for a cable.
  const pressed = useRef(false);

  useEffect(() => {
    if (kind === 'none') return undefined;
    let over = false;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const ears: ScaleEars = {
      onOpen: () => !over && setState((before) => ({ ...before, link: 'there' })),
      onLine: (line) => !over && setState((before) => heard(before, line)),
      onGone: () => {
        if (over) return;
        setState((before) => ({ ...NO_SCALE, name: before.name, link: 'gone' }));
        timer = setTimeout(open, AGAIN);
      },
    };
    const open = () => {
      if (over) return;
      setState((before) => (before.link === 'gone' ? before : { ...NO_SCALE, link: 'coming' }));
      if (kind === 'simulated') {
        link.current = webSocketScale(ears);
        return;
      }
      const choose = pressed.current;
      pressed.current = false;
      serialScale(ears, choose).then(
        (made) => {
          if (over) made.close();
          else {
            link.current = made;
            setTrouble(undefined);
          }
        },
        (error: unknown) => {
          if (over) return;
          setTrouble(error instanceof Error ? error.message : 'The scale cannot be reached.');
          setState({ ...NO_SCALE, link: 'gone' });
        },
      );
    };
    open();
    return () => {
      over = true;
      clearTimeout(timer);
      link.current?.close();
      link.current = undefined;
    };
  }, [kind]);

  const choose = useCallback((next: ScaleKind) => {
    pressed.current = true;
    setTrouble(undefined);
    setState(NO_SCALE);
    setKind(next);
    try {
      localStorage.setItem(KEPT, next);
    } catch {
      // A browser that keeps nothing asks again the next time.
    }
  }, []);
  const tell = useCallback((order: ScaleOrder) => link.current?.tell(order), []);
  return { kind, state: kind === 'none' ? NO_SCALE : state, choose, tell, trouble };
}

function keptKind(): ScaleKind {
  try {
    const kept = localStorage.getItem(KEPT);
    return kept === 'simulated' || kept === 'cable' ? kept : 'none';
  } catch {
    return 'none';
  }
}
