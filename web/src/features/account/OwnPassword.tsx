import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';

interface OwnPasswordProps {
  /** What it is asked for. */
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
}

/** The password that holds, asked for before something about the account is changed. */
export function OwnPassword({ label, value, onChange }: OwnPasswordProps) {
  return (
    <Field label={label}>
      <Input type="password" autoComplete="current-password" required value={value} onChange={({ target }) => onChange(target.value)} />
    </Field>
  );
}
