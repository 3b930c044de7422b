import type { EnergyShare } from '@portiona/core';
import './energySplit.css';

interface EnergySplitProps {
  readonly shares: readonly EnergyShare[];
  /** How long, as CSS says it. */
  readonly width?: string;
  /** Or what of: whoever knows the whole says how long. */
  readonly kcal?: number;
}

/** Where energy comes from, as a bar of patterns that stay apart in grey and for every eye. */
export function EnergySplit({ shares, width, kcal }: EnergySplitProps) {
  const words = shares.map(({ of, share }) => `${of} ${Math.round(share * 100)} %`).join(', ');
  return (
    <span
      className="split"
      data-kcal={kcal}
      style={width === undefined ? undefined : { width }}
      role="img"
      aria-label={`Energy from ${words}`}
      title={words}
    >
      {shares.map(({ of, share }) => (share > 0.004 ? <b key={of} className={`pat-${of}`} style={{ width: `${share * 100}%` }} /> : null))}
    </span>
  );
}
