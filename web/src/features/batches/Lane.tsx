import type { ReactNode } from 'react';

interface LaneProps {
  /** Said where the heads of columns are not in sight. */
  readonly name: string;
  readonly range: readonly [low: number, high: number];
  /** What is usual: drawn through every row. */
  readonly limits?: { readonly mean: number; readonly low: number | undefined; readonly high: number | undefined } | undefined;
  /** What the recipe states, a dashed line. */
  readonly stated?: number | undefined;
  readonly amount: number | undefined;
  readonly text: string;
  readonly odd?: boolean;
}

const at = (amount: number, [low, high]: LaneProps['range']) => `${Math.max(0, Math.min(100, (100 * (amount - low)) / (high - low)))}%`;

/** A cell of a column that is a control chart as well: one dot, with the mean and the limits running down through all rows. */
export function Lane({ name, range, limits, stated, amount, text, odd = false }: LaneProps) {
  const left = amount !== undefined && (amount - range[0]) / (range[1] - range[0]) > 0.6;
  return (
    <span className="lane">
      <span className="lane-name">{name}</span>
      <Grounds range={range} limits={limits} stated={stated} />
      {amount === undefined ? (
        <span className="lane-none">{text}</span>
      ) : (
        <>
          <i className={odd ? 'dot odd' : 'dot'} style={{ left: at(amount, range) }} aria-hidden />
          <span className={left ? 'lane-text left' : 'lane-text'} style={{ left: at(amount, range) }}>
            {odd && '▲ '}
            {text}
          </span>
        </>
      )}
    </span>
  );
}

function Grounds({ range, limits, stated }: Pick<LaneProps, 'range' | 'limits' | 'stated'>) {
  return (
    <>
      {limits?.low !== undefined && limits.high !== undefined && (
        <i className="limits" style={{ left: at(limits.low, range), right: `calc(100% - ${at(limits.high, range)})` }} aria-hidden />
      )}
      {limits && <i className="mean" style={{ left: at(limits.mean, range) }} aria-hidden />}
      {stated !== undefined && <i className="stated" style={{ left: at(stated, range) }} aria-hidden />}
    </>
  );
}

/** The head of a lane: its name, what it is, and its scale. */
export function LaneHead({
  name,
  of,
  range,
  marks,
}: {
  readonly name: ReactNode;
  readonly of: string;
  readonly range: LaneProps['range'];
  readonly marks: readonly { readonly at: number; readonly text: string; readonly strong?: boolean }[];
}) {
  return (
    <span className="lane-head">
      <b>{name}</b>
      <span>{of}</span>
      <span className="axis" aria-hidden>
        {marks.map((mark) => (
          <span key={mark.text} className={mark.strong ? 'strong' : ''} style={{ left: at(mark.at, range) }}>
            {mark.text}
          </span>
        ))}
      </span>
    </span>
  );
}
