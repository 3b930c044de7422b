import { useState } from 'react';
import type { Line, Method } from '@portiona/core';
import { numberText } from '../../ui/numberText';
import { Input } from '../../ui/Input';
import { Field } from '../../ui/Field';
import { Button } from '../../ui/Button';
import { DropPanel } from '../../ui/DropPanel';
import { ChipButton } from '../../ui/ChipButton';

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
    <DropPanel
      trigger={
        <ChipButton tone={confirmed ? undefined : 'warn'}>
          {confirmed ? '' : '▲ '}
          {numberText(line.toTaste ?? 0, 1)} g {confirmed ? (line.method === 'scale' ? 'weighed' : 'by eye') : 'assumed'}
        </ChipButton>
      }
      open={open}
      onOpenChange={(next) => {
        setGrams(String(line.toTaste ?? 0));
        setOpen(next);
      }}
      className="p-3 w-[250px]"
    >
      <Field label="Grams in the batch">
        <Input inputMode="decimal" value={grams} onChange={({ target }) => setGrams(target.value)} aria-invalid={!sound} />
      </Field>
      <p className="faint text-small my-1.5">Weighed narrows the band; assumed leaves it wide.</p>
      <span className="flex gap-2">
        <Button kind="main" disabled={!sound} onClick={() => confirm('scale')}>
          Weighed
        </Button>
        <Button disabled={!sound} onClick={() => confirm('eye')}>
          By eye
        </Button>
      </span>
    </DropPanel>
  );
}
