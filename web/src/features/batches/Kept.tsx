import { useState } from 'react';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { TextArea } from '../../ui/TextArea';

interface KeptProps {
  readonly label: string;
  readonly value: string;
  readonly most: number;
  readonly onKeep: (text: string) => void;
  readonly check?: (text: string) => string | undefined;
  readonly said?: string;
  readonly long?: boolean;
  /** The label is only for those who do not see the column's head. */
  readonly hidden?: boolean;
}

/** Words that are kept when they are left or Enter is pressed; what cannot be stays there and is said. */
export function Kept({ label, value, most, onKeep, check, said = '', long = false, hidden = false }: KeptProps) {
  const [typed, setTyped] = useState<string>();
  const fault = typed === undefined ? undefined : check?.(typed.trim());
  const keep = () => {
    if (typed === undefined || fault !== undefined) return;
    setTyped(undefined);
    if (typed.trim() !== value) onKeep(typed.trim());
  };
  const props = {
    value: typed ?? value,
    maxLength: most,
    'aria-invalid': fault !== undefined,
    onBlur: keep,
  };
  const field = long ? (
    <TextArea rows={2} {...props} onChange={({ target }) => setTyped(target.value)} />
  ) : (
    <Input
      {...props}
      {...(hidden ? { 'aria-label': label } : {})}
      onChange={({ target }) => setTyped(target.value)}
      onKeyDown={(event) => event.key === 'Enter' && keep()}
    />
  );
  return (
    <div>
      {hidden ? field : <Field label={label}>{field}</Field>}
      {fault !== undefined ? (
        <span className="bad text-small" role="alert">
          ✕ {fault}
        </span>
      ) : (
        said !== '' && <span className="muted text-small">{said}</span>
      )}
    </div>
  );
}
