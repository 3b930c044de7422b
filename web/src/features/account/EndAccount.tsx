import { useState } from 'react';
import { useDeleteMeMutation, type MeDto } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { Remark } from '../../ui/Remark';
import { leave, unsentHere } from './leave';
import { OwnPassword } from './OwnPassword';

/** Ends one's own account, for good: what becomes of what is said first, and the name is written to do it. */
export function EndAccount({ me }: { readonly me: MeDto }) {
  const [end, { isLoading }] = useDeleteMeMutation();
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const [trouble, setTrouble] = useState('');
  const [unsent, setUnsent] = useState<number>();
  const finish = async () => {
    try {
      await end({ endingAccountDto: { name, ...(me.hasPassword ? { password } : {}) } }).unwrap();
      await leave();
    } catch (error) {
      setTrouble(problemText(problemOf(error)));
    }
  };
  const asked = async () => {
    const waiting = await unsentHere().catch(() => 0);
    if (waiting > 0 && unsent === undefined) setUnsent(waiting);
    else await finish();
  };
  return (
    <section className="account-part" aria-labelledby="account-end">
      <h2 id="account-end">Delete your account</h2>
      {me.keeper ? (
        <p className="muted">You look after this installation: your account stays as long as it does.</p>
      ) : (
        <>
          <p className="muted mb-2">
            You leave every kitchen, and nothing signs you in any more. Dishes, batches and notes stay with their kitchens; their logs go on
            naming you. It cannot be taken back.
          </p>
          {trouble !== '' && <Remark tone="bad">{trouble}</Remark>}
          {unsent !== undefined && (
            <Remark tone="warn">
              {unsent === 1 ? 'One thing' : `${unsent} things`} written in this browser did not reach the server yet, and would be lost.
              Press once more to delete the account all the same.
            </Remark>
          )}
          <form
            onSubmit={(event) => {
              event.preventDefault();
              void asked();
            }}
          >
            <Field label={`Write “${me.name}” to delete it`}>
              <Input autoComplete="off" maxLength={80} value={name} onChange={({ target }) => setName(target.value)} />
            </Field>
            {me.hasPassword && <OwnPassword label="Your password, to delete it" value={password} onChange={setPassword} />}
            <Button disabled={isLoading || name.trim() !== me.name}>Delete my account</Button>
          </form>
        </>
      )}
    </section>
  );
}
