import { useState } from 'react';
import { useAddPasskeyMutation, useAskNewPasskeyMutation, useListPasskeysQuery, useRemovePasskeyMutation } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { Remark } from '../../ui/Remark';
import { dayAndTime } from './dayAndTime';
import { canHavePasskeys, makePasskey } from './passkeyInBrowser';

/** The passkeys one has, and making one. */
export function OwnPasskeys({ onChanged }: { readonly onChanged: () => void }) {
  const { data: passkeys = [], refetch } = useListPasskeysQuery();
  const [ask] = useAskNewPasskeyMutation();
  const [add] = useAddPasskeyMutation();
  const [remove] = useRemovePasskeyMutation();
  const [name, setName] = useState('');
  const [trouble, setTrouble] = useState('');
  const changed = () => {
    void refetch();
    onChanged();
  };
  const make = async () => {
    try {
      const { options } = await ask().unwrap();
      let response: object;
      try {
        response = await makePasskey(options);
      } catch {
        return setTrouble('No passkey was made. Nothing has changed.');
      }
      await add({ body: { name: name.trim(), response } }).unwrap();
      setName('');
      setTrouble('');
      changed();
    } catch (error) {
      setTrouble(problemText(problemOf(error)));
    }
  };
  return (
    <section className="account-part" aria-labelledby="account-passkeys">
      <h2 id="account-passkeys">Passkeys</h2>
      {trouble !== '' && <Remark tone="bad">{trouble}</Remark>}
      <ul className="account-rows">
        {passkeys.map(({ id, name: called, createdAt, usedAt }) => (
          <li key={id}>
            <span>
              {called}
              <span className="faint text-small">
                {' '}
                made {dayAndTime(createdAt)}
                {usedAt === undefined ? ', never used' : `, used last ${dayAndTime(usedAt)}`}
              </span>
            </span>
            <Button kind="quiet" aria-label={`Remove ${called}`} onClick={() => void remove({ id }).unwrap().then(changed)}>
              Remove
            </Button>
          </li>
        ))}
      </ul>
      {canHavePasskeys() ? (
        <form
          className="account-line"
          onSubmit={(event) => {
            event.preventDefault();
            void make();
          }}
        >
          <Field label="A new one, called">
            <Input maxLength={80} placeholder="this laptop" value={name} onChange={({ target }) => setName(target.value)} />
          </Field>
          <Button>Make a passkey</Button>
        </form>
      ) : (
        <p className="muted">
          A passkey is made for a name, and this page was opened by a number, or this browser holds none. Open it as <code>localhost</code>,
          or by the server’s name.
        </p>
      )}
    </section>
  );
}
