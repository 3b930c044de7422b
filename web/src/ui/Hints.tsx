import { useEffect, useState } from 'react';
import { later } from './later';
import { Arriving } from './Arriving';

/** Where a hint is said, by what carries it. */
export interface HintPlace {
  readonly text: string;
  readonly of: Element;
}

/** Milliseconds that something is pointed at before its hint is said. */
const PATIENCE = 400;

export const HINT = later(async () => ({ default: (await import('./overlays')).Tooltip }));

/** Says the hint of whatever is pointed at, or reached by Tab: one for the whole page, so that hundreds of buttons cost nothing. */
export function Hints() {
  const [place, setPlace] = useState<HintPlace>();
  useEffect(() => {
    let soon: ReturnType<typeof setTimeout> | undefined;
    const leave = () => {
      clearTimeout(soon);
      setPlace(undefined);
    };
    const point = ({ target, type }: Event) => {
      const of = target instanceof Element ? target.closest('[data-hint]') : null;
      leave();
      const text = of?.getAttribute('data-hint');
      if (!of || !text || (type === 'focusin' && !of.matches(':focus-visible'))) return;
      soon = setTimeout(() => of.isConnected && setPlace({ text, of }), type === 'focusin' ? 0 : PATIENCE);
    };
    const onKey = ({ key }: KeyboardEvent) => key === 'Escape' && leave();
    const heard = [
      ['pointerover', point],
      ['focusin', point],
      ['focusout', leave],
      ['pointerdown', leave],
      ['keydown', onKey],
      ['scroll', leave],
    ] as const;
    for (const [name, listener] of heard) document.addEventListener(name, listener as (event: Event) => void, true);
    return () => {
      leave();
      for (const [name, listener] of heard) document.removeEventListener(name, listener as (event: Event) => void, true);
    };
  }, []);
  if (!place) return null;
  return (
    <Arriving instead={null}>
      <HINT.View {...place} />
    </Arriving>
  );
}
