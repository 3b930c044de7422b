import { useState } from 'react';
import type { Pack } from '@portiona/core';
import { Input } from '../../ui/Input';

/** Until when an offer is, and what it costs otherwise: after its end that counts, or what was seen before. */
export function OfferTerms({ of, pack, onChange }: { readonly of: string; readonly pack: Pack; readonly onChange: (pack: Pack) => void }) {
  const [usual, setUsual] = useState(String(pack.usual ?? ''));
  const written = usual.trim().replace(',', '.');
  const { usual: _, until: _u, ...rest } = pack;
  const ended = pack.until === undefined ? {} : { until: pack.until };
  return (
    <span className="flex gap-2 items-center mt-1">
      <label className="flex gap-1 items-center">
        until
        <Input
          type="date"
          aria-label={`Last day of the offer of ${of}`}
          value={pack.until ?? ''}
          onChange={({ target }) =>
            onChange({
              ...rest,
              ...(pack.usual === undefined ? {} : { usual: pack.usual }),
              ...(target.value === '' ? {} : { until: target.value }),
            })
          }
        />
      </label>
      <label className="flex gap-1 items-center">
        usually
        <Input
          className="w-[70px] text-right"
          inputMode="decimal"
          aria-label={`Usual price of ${of}`}
          value={usual}
          onChange={({ target }) => setUsual(target.value)}
          onBlur={() => {
            if (written === '') onChange({ ...rest, ...ended });
            else if (/^\d+(\.\d+)?$/.test(written)) onChange({ ...rest, ...ended, usual: written });
            else setUsual(String(pack.usual ?? ''));
          }}
        />
      </label>
      {pack.until === undefined && <span className="warn">nobody knows until when</span>}
    </span>
  );
}

/** A pack as an offer, or as none: then nothing of one stays. */
export function withPromotion({ promotion: _, usual: _usual, until: _until, ...pack }: Pack, promotion: boolean): Pack {
  return promotion ? { ...pack, promotion } : pack;
}
