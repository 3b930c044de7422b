import { useState } from 'react';
import { Popover } from 'radix-ui';
import type { Line, Method } from '@portiona/core';
import { numberText } from '../../ui/numberText';

/** The grams a "to taste" is assumed to be; a press changes or confirms them. */
export function ToTasteChip({ line, onWrite }: { readonly line: Line; readonly onWrite: (line: Line) => void }) {
  const [grams, setGrams] = useState(String(line.toTaste ?? 0));
  const [open, setOpen] = useState(false);
  const confirmed = line.method !== undefined && line.method !== 'assumed';
  const known = Number(grams.replace(',', '.'));
  const sound = grams.trim() !== '' && Number.isFinite(known) && known >= 0;
  const confirm = (method: Method) => {
    setOpen(false);
    onWrite({ ...line, toTaste: known, method });
  };
  return (
    <Popover.Root
      open={open}
      onOpenChange={(next) => {
        setGrams(String(line.toTaste ?? 0));
        setOpen(next);
      }}
    >
      <Popover.Trigger className={`chip ${confirmed ? '' : 'warn'}`}>
        {confirmed ? '' : '▲ '}
        {numberText(line.toTaste ?? 0, 1)} g {confirmed ? (line.method === 'scale' ? 'weighed' : 'by eye') : 'assumed'}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content className="menu p-3 w-[250px]" sideOffset={4}>
          <label className="labelled">
            Grams in the batch
            <input
              className="field"
              inputMode="decimal"
              value={grams}
              onChange={({ target }) => setGrams(target.value)}
              aria-invalid={!sound}
            />
          </label>
          <p className="faint text-[12px] my-1.5">Weighed narrows the band; assumed leaves it wide.</p>
          <span className="flex gap-2">
            <button className="btn btn-main" disabled={!sound} onClick={() => confirm('scale')}>
              Weighed
            </button>
            <button className="btn" disabled={!sound} onClick={() => confirm('eye')}>
              By eye
            </button>
          </span>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
