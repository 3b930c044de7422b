import { useState } from 'react';
import { useCreateKitchenMutation, useTakeKitchenBackMutation, type MeDto } from '../../api/api.gen';
import { kitchenPath } from '../../api/kitchenAtHand';
import { problemOf, problemText } from '../../api/problem';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { Remark } from '../../ui/Remark';
import { dayAndTime } from './dayAndTime';

/** The kitchens one may open, a new one, and those deleted that can be taken back. */
export function OwnKitchens({ me, onChanged }: { readonly me: MeDto; readonly onChanged: () => void }) {
  const [create, { isLoading }] = useCreateKitchenMutation();
  const [takeBack] = useTakeKitchenBackMutation();
  const [name, setName] = useState('');
  const [trouble, setTrouble] = useState('');
  const say = (error: unknown) => setTrouble(problemText(problemOf(error)));
  const open = me.kitchens.filter(({ deletedAt }) => deletedAt === undefined);
  const deleted = me.kitchens.filter(({ deletedAt, role }) => deletedAt !== undefined && role === 'owner');
  return (
    <section className="account-kitchens" aria-labelledby="account-kitchens">
      <h2 id="account-kitchens">Kitchens</h2>
      {trouble !== '' && <Remark tone="bad">{trouble}</Remark>}
      {open.length === 0 && <p className="muted">You are a member of none. Open an invitation, or begin one of your own.</p>}
      <ul>
        {open.map(({ key, name: called, role, members }) => (
          <li key={key}>
            <a href={kitchenPath(key)}>{called}</a>
            <span className="faint text-small">
              {role}
              {members > 1 ? `, ${members} members` : ''}
            </span>
          </li>
        ))}
      </ul>
      <form
        className="account-line"
        onSubmit={(event) => {
          event.preventDefault();
          void create({ newKitchenDto: { name } })
            .unwrap()
            .then(({ key }) => window.location.assign(kitchenPath(key)), say);
        }}
      >
        <Field label="A new kitchen, called">
          <Input required maxLength={80} value={name} onChange={({ target }) => setName(target.value)} />
        </Field>
        <Button disabled={isLoading}>Begin it</Button>
      </form>
      {deleted.length > 0 && (
        <>
          <h3>Deleted</h3>
          <ul>
            {deleted.map(({ key, name: called, goneAt }) => (
              <li key={key}>
                <span>
                  {called} <span className="faint text-small">gone for good {goneAt === undefined ? '' : dayAndTime(goneAt)}</span>
                </span>
                <Button
                  kind="quiet"
                  aria-label={`Take back ${called}`}
                  onClick={() => void takeBack({ kitchen: key }).unwrap().then(onChanged, say)}
                >
                  Take back
                </Button>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
