import { useState } from 'react';
import { useCopyKitchenMutation, useDeleteKitchenMutation, useLeaveKitchenMutation } from '../../api/api.gen';
import { kitchenPath } from '../../api/kitchenAtHand';
import { problemOf, problemText } from '../../api/problem';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { Remark } from '../../ui/Remark';
import { useMembership } from '../account/useMe';
import { KitchenFrame } from './KitchenFrame';

/** What is done to a kitchen as a whole: copying it, leaving it, deleting it. */
export function WholePage() {
  const here = useMembership();
  const [copy, { isLoading: copying }] = useCopyKitchenMutation();
  const [leave] = useLeaveKitchenMutation();
  const [remove] = useDeleteKitchenMutation();
  const [name, setName] = useState('');
  const [sure, setSure] = useState('');
  const [leaving, setLeaving] = useState(false);
  const [trouble, setTrouble] = useState('');
  const say = (error: unknown) => setTrouble(problemText(problemOf(error)));
  const manages = here?.rights.includes('manage') ?? false;
  const away = () => window.location.assign('/account');
  return (
    <KitchenFrame>
      {trouble !== '' && <Remark tone="bad">{trouble}</Remark>}
      {manages && (
        <section>
          <h2>Copy it</h2>
          <p className="muted members-lead">
            A new kitchen of yours with all that a kitchen file holds: foods, prices, dishes, batches, plans, settings and photos. Members,
            earlier versions, published cards, notes and the log stay here alone.
          </p>
          <form
            className="members-line"
            onSubmit={(event) => {
              event.preventDefault();
              void copy({ newKitchenDto: { name } })
                .unwrap()
                .then(({ key }) => window.location.assign(kitchenPath(key)), say);
            }}
          >
            <Field label="The copy is called">
              <Input required maxLength={80} value={name} onChange={({ target }) => setName(target.value)} />
            </Field>
            <Button disabled={copying}>{copying ? 'Being copied …' : 'Copy it'}</Button>
          </form>
        </section>
      )}
      <section>
        <h2>Leave it</h2>
        <p className="muted members-lead">You see it no more, and your tokens for it end. An owner can invite you again.</p>
        {leaving ? (
          <p className="flex gap-2">
            <Button onClick={() => void leave().unwrap().then(away, say)}>Leave {here?.name}</Button>
            <Button kind="quiet" onClick={() => setLeaving(false)}>
              Stay
            </Button>
          </p>
        ) : (
          <Button onClick={() => setLeaving(true)}>Leave it …</Button>
        )}
      </section>
      {manages && (
        <section>
          <h2>Delete it</h2>
          <p className="muted members-lead">
            Nobody gets in any more, and readers find nothing. Its owners can take it back for thirty days, from their account; after that
            it is gone for good.
          </p>
          <form
            className="members-line"
            onSubmit={(event) => {
              event.preventDefault();
              void remove().unwrap().then(away, say);
            }}
          >
            <Field label="Write its name to delete it">
              <Input autoComplete="off" value={sure} onChange={({ target }) => setSure(target.value)} />
            </Field>
            <Button disabled={here === undefined || sure.trim() !== here.name}>Delete {here?.name}</Button>
          </form>
        </section>
      )}
    </KitchenFrame>
  );
}
