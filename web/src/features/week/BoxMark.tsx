import type { Whence } from '@portiona/core';
import { dishLook } from '../plan/DishSwatch';

interface BoxMarkProps {
  /** The dish's number on this page, for its colour and pattern. */
  readonly look: number;
  readonly whence?: Whence | undefined;
  /** Who it is for: an initial. */
  readonly initial?: string | undefined;
  readonly tall?: boolean;
}

/** A little box: its dish by pattern, a dashed lid where it comes from the freezer. */
export function BoxMark({ look, whence, initial, tall = false }: BoxMarkProps) {
  return (
    <span className={`week-box ${whence === 'freezer' ? 'frozen' : ''} ${tall ? 'tall' : ''}`} aria-hidden>
      <span className="week-lid" />
      <span className={`week-body dish-pattern ${dishLook(look)}`}>{initial !== undefined && <b>{initial}</b>}</span>
    </span>
  );
}
