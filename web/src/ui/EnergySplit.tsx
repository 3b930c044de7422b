import type { EnergyShare } from '@portiona/core';
import './energySplit.css';

/** Where energy comes from, as a bar of patterns that stay apart in grey and for every eye. */
export function EnergySplit({ shares, width }: { readonly shares: readonly EnergyShare[]; readonly width: number }) {
  const words = shares.map(({ of, share }) => `${of} ${Math.round(share * 100)} %`).join(', ');
  return (
    <span className="split" style={{ width: `${width}%` }} role="img" aria-label={`Energy from ${words}`} title={words}>
      {shares.map(({ of, share }) => (share > 0.004 ? <b key={of} className={`pat-${of}`} style={{ width: `${share * 100}%` }} /> : null))}
    </span>
  );
}
