import { useState } from 'react';
import { Input } from './Input';
import { Field } from './Field';

/** A number above 0, or nothing; written when it is left or Enter is pressed. */
export function NumberField({
  label,
  amount,
  onChange,
}: {
  readonly label: string;
  readonly amount: number | undefined;
  readonly onChange: (amount: number | undefined) => void;
}) {
  const [text, setText] = useState<string>();
  const shown = text ?? (amount === undefined ? '' : String(amount));
  const parsed = Number(shown.replace(',', '.'));
  const sound = shown.trim() === '' || (Number.isFinite(parsed) && parsed > 0);
  const write = () => {
    if (text === undefined) return;
    setText(undefined);
    if (sound) onChange(shown.trim() === '' ? undefined : parsed);
  };
  return (
    <Field label={label}>
      <Input
        inputMode="decimal"
        value={shown}
        aria-invalid={!sound}
        onChange={({ target }) => setText(target.value)}
        onBlur={write}
        onKeyDown={(event) => event.key === 'Enter' && write()}
      />
    </Field>
  );
}
