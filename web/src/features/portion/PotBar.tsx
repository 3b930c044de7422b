import { useRef, useState } from 'react';
import { flooredGrams, LEFT_TO, type BatchPart, type BoxKind, type LeftTo, type PartFigures } from '@portiona/core';
import { Select } from '../../ui/Select';
import { numberText } from '../../ui/numberText';
import type { PortionedKind } from './portioned';

interface PotBarProps {
  readonly part: PartFigures;
  /** Which of the parts' colours. */
  readonly tone: number;
  readonly kinds: readonly PortionedKind[];
  readonly came: BatchPart | undefined;
  readonly leftTo: LeftTo | undefined;
  readonly onGrams: (kind: BoxKind, grams: number) => void;
  readonly onLeftTo: (to: LeftTo | null) => void;
}

const LEFT_WORDS: Readonly<Record<LeftTo, string>> = { tonight: 'to tonight', stock: 'to stock', away: 'thrown away' };
/** Grams of a press with Shift. */
const LEAP = 10;

/**
 * A pot laid out flat: as long as what it weighed, cut into boxes, what is left dashed at its end. A divider is dragged, or moved by the
 * arrows: the boxes before it hold more, or less.
 */
export function PotBar({ part, tone, kinds, came, leftTo, onGrams, onLeftTo }: PotBarProps) {
  const bar = useRef<HTMLDivElement>(null);
  const [drag, setDrag] = useState<{ readonly kind: number; readonly grams: number }>();
  const { id, name } = part.part;
  const gramsOf = ({ kind }: PortionedKind, i: number) => (drag?.kind === i ? drag.grams : (kind.grams[id] ?? 0));
  const held = kinds.reduce((sum, one, i) => sum + gramsOf(one, i) * one.kind.count, 0);
  const left = part.cooked - held;
  const whole = Math.max(part.cooked, held, 1e-9);
  const share = (grams: number) => `${(100 * grams) / whole}%`;
  const most = (i: number) => {
    const one = kinds[i];
    return one ? flooredGrams((Math.max(0, left) + gramsOf(one, i) * one.kind.count) / one.kind.count) : 0;
  };
  const gramsAt = (x: number, i: number): number => {
    const box = bar.current?.getBoundingClientRect();
    const count = kinds[i]?.kind.count ?? 1;
    if (!box || box.width === 0) return 0;
    const before = kinds.slice(0, i).reduce((sum, one, k) => sum + gramsOf(one, k) * one.kind.count, 0);
    return Math.min(most(i), Math.max(0, flooredGrams((((x - box.left) / box.width) * whole - before) / count)));
  };
  return (
    <div className="pot">
      <div className="pot-name">
        <b>
          {numberText(part.cooked, 0)} g {name.toLowerCase()}
        </b>
        <span>
          {part.estimated
            ? 'by estimate'
            : came?.gross !== undefined && came.tare !== undefined
              ? `weighed, ${numberText(came.gross, 0)} − ${numberText(came.tare, 0)} pot`
              : 'weighed'}
        </span>
      </div>
      <div>
        <div className={`pot-bar tone-${tone % 5}`} ref={bar}>
          {kinds.map((one, i) => {
            const grams = gramsOf(one, i);
            return (
              <div
                key={i}
                className={`pot-kind ${i % 2 === 1 ? 'other' : ''}`}
                style={{ width: share(grams * one.kind.count) }}
                title={`${one.kind.count} × ${numberText(grams, 1)} g, ${one.kind.name}`}
              >
                {Array.from({ length: Math.min(one.kind.count, 40) }, (_, b) => (
                  <span key={b} className="pot-box">
                    <b>{numberText(grams, Number.isInteger(grams) ? 0 : 1)} g</b>
                    <span>{one.kind.name}</span>
                  </span>
                ))}
                <span
                  className="pot-grip"
                  role="slider"
                  tabIndex={0}
                  aria-label={`${name}, grams in each box of ${one.kind.name}`}
                  aria-valuemin={0}
                  aria-valuemax={most(i)}
                  aria-valuenow={grams}
                  aria-valuetext={`${numberText(grams, 1)} g, ${numberText(left, 0)} g left`}
                  onPointerDown={(event) => {
                    event.currentTarget.setPointerCapture(event.pointerId);
                    setDrag({ kind: i, grams });
                  }}
                  onPointerMove={(event) => drag?.kind === i && setDrag({ kind: i, grams: gramsAt(event.clientX, i) })}
                  onPointerUp={() => {
                    if (drag && drag.grams !== (one.kind.grams[id] ?? 0)) onGrams(one.kind, drag.grams);
                    setDrag(undefined);
                  }}
                  onPointerCancel={() => setDrag(undefined)}
                  onKeyDown={(event) => {
                    const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
                    if (by === undefined || event.altKey || event.ctrlKey || event.metaKey) return;
                    event.preventDefault();
                    event.stopPropagation();
                    const next = Math.max(0, grams + by * (event.shiftKey ? LEAP : 1));
                    if (next <= Math.max(most(i), grams)) onGrams(one.kind, next);
                  }}
                />
              </div>
            );
          })}
          {left > 0.5 && <div className="pot-left" style={{ width: share(left) }} />}
        </div>
        <p className="pot-said">
          {left < -0.5 ? (
            <span className="warn">▲ {numberText(-left, 0)} g more in the boxes than there was</span>
          ) : left > 0.5 && kinds.length > 0 ? (
            <>
              {numberText(left, 0)} g left
              <Select
                className="pot-to"
                aria-label={`What is left of ${name} goes`}
                value={leftTo ?? ''}
                onChange={({ target }) => onLeftTo(target.value === '' ? null : (target.value as LeftTo))}
              >
                <option value="">nobody said where</option>
                {LEFT_TO.map((to) => (
                  <option key={to} value={to}>
                    {LEFT_WORDS[to]}
                  </option>
                ))}
              </Select>
            </>
          ) : kinds.length > 0 ? (
            'nothing is left'
          ) : (
            'in no box yet'
          )}
        </p>
      </div>
    </div>
  );
}
