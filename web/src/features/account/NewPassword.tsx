import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';

interface NewPasswordProps {
  readonly value: string;
  readonly label?: string;
  readonly onChange: (password: string) => void;
}

/** Letters of a password at least; the server looks whether it is guessed. */
const SHORTEST = 10;

/** A password to be chosen: browsers offer to make and keep one. */
export function NewPassword({ value, label = 'New password', onChange }: NewPasswordProps) {
  return (
    <Field label={label}>
      <Input
        type="password"
        autoComplete="new-password"
        required
        minLength={SHORTEST}
        maxLength={200}
        aria-describedby="password-hint"
        value={value}
        onChange={({ target }) => onChange(target.value)}
      />
      <span id="password-hint" className="faint text-small">
        {SHORTEST} letters at least; several words that do not belong together are best.
      </span>
    </Field>
  );
}
