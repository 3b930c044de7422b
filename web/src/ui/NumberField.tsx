import { useId, useState, type Ref } from 'react';
import { sumFromText } from '@portiona/core';
import { Input } from './Input';
import { Field } from './Field';
import { numberText } from './numberText';

interface NumberFieldProps {
  readonly label: string;
  readonly amount: number | undefined;
  readonly onChange: (amount: number | undefined) => void;
  /** Weighed with its pot, as often as not: a keyboard that has a minus. */
  readonly sums?: boolean;
  readonly field?: Ref<HTMLInputElement>;
}

/**
 * A number above 0, or nothing; written when it is left or Enter is pressed. It may be a sum, as of a full pot less the empty one. What
 * cannot be read stays there and is said; the number from before holds until it can.
 */
export function NumberField({ label, amount, onChange, sums = false, field }: NumberFieldProps) {
  const [text, setText] = useState<string>();
  const [told, setTold] = useState(false);
  const saying = useId();
  const shown = text ?? (amount === undefined ? '' : String(amount));
  const read = sumFromText(shown);
  const empty = shown.trim() === '';
  const sound = empty || (read !== undefined && read > 0);
  const write = () => {
    if (text === undefined) return;
    setTold(!sound);
    if (!sound) return;
    setText(undefined);
    onChange(empty ? undefined : read);
  };
  const said =
    told && !sound
      ? `“${shown}” is no number above 0. ${amount === undefined ? 'Nothing is written.' : `It stays ${String(amount)}.`}`
      : text !== undefined && sound && !empty && /\d ?[-+−–]/.test(shown)
        ? `= ${numberText(read ?? 0, 1)}`
        : '';
  return (
    <div>
      <Field label={label}>
        <Input
          ref={field}
          inputMode={sums ? 'text' : 'decimal'}
          value={shown}
          aria-invalid={!sound}
          aria-describedby={said === '' ? undefined : saying}
          onChange={({ target }) => setText(target.value)}
          onBlur={write}
          onKeyDown={(event) => event.key === 'Enter' && write()}
        />
      </Field>
      {said !== '' && (
        <span id={saying} className={`block mt-1 text-small ${sound ? 'muted' : 'bad'}`} role={sound ? undefined : 'alert'}>
          {said}
        </span>
      )}
    </div>
  );
}
