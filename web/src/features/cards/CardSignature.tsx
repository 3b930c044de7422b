import { useState } from 'react';
import type { CardSettings, Settings } from '@portiona/core';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { useChangeSettings } from '../kitchen/useChangeSettings';

/** What every card of the kitchen is signed with: its publication, where it is found, and its mark. Each is saved when it is left. */
export function CardSignature({ settings }: { readonly settings: Settings }) {
  const { card = {} } = settings;
  return (
    <fieldset className="card-signature">
      <legend>Signed, on every card</legend>
      <SignedField key={`publication ${card.publication}`} name="publication" label="Publication" most={80} card={card} />
      <SignedField key={`address ${card.address}`} name="address" label="Address that readers type" most={120} card={card} />
      <SignedField key={`mark ${card.mark}`} name="mark" label="Mark" most={3} card={card} />
    </fieldset>
  );
}

interface SignedFieldProps {
  readonly name: 'publication' | 'address' | 'mark';
  readonly label: string;
  readonly most: number;
  readonly card: CardSettings;
}

function SignedField({ name, label, most, card }: SignedFieldProps) {
  const change = useChangeSettings();
  const [text, setText] = useState(card[name] ?? '');
  const keep = () => {
    const words = text.trim();
    if (words === (card[name] ?? '')) return;
    change({ card: { [name]: words === '' ? null : words } });
  };
  return (
    <Field label={label}>
      <Input
        value={text}
        maxLength={most}
        onChange={({ target }) => setText(target.value)}
        onBlur={keep}
        onKeyDown={(event) => {
          if (event.key === 'Enter') keep();
        }}
      />
    </Field>
  );
}
