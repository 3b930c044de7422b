import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { useGetMeQuery, useLookAtInvitationMutation, useTakeInvitationMutation, type InvitationLookDto } from '../../api/api.gen';
import { kitchenPath } from '../../api/kitchenAtHand';
import { problemOf, problemText } from '../../api/problem';
import { signedInAs } from '../../api/pageToken';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { Remark } from '../../ui/Remark';
import { Doorway } from './Doorway';
import { NewPassword } from './NewPassword';
import { ROLE_WORDS } from './roleWords';
import { secretInAddress } from './secretInAddress';

const KEPT = 'portiona:invitation';

/** An invitation that was opened, also when one went to sign in meanwhile. */
function invitation(): string {
  const here = secretInAddress();
  if (here !== '') sessionStorage.setItem(KEPT, here);
  return here !== '' ? here : (sessionStorage.getItem(KEPT) ?? '');
}

/** An invitation to a kitchen: what it says, and joining with the account one has or a new one. */
export function JoinPage() {
  const [link] = useState(invitation);
  const [lookAt] = useLookAtInvitationMutation();
  const [take, { isLoading }] = useTakeInvitationMutation();
  const [found, setFound] = useState<InvitationLookDto>();
  const [trouble, setTrouble] = useState('');
  const [account, setAccount] = useState({ name: '', email: '', password: '' });
  const me = useGetMeQuery(undefined, { skip: !found?.signedIn }).data;
  useEffect(() => {
    void lookAt({ enteringDto: { link } })
      .unwrap()
      .then(
        (look) => {
          setFound(look);
          setAccount((before) => ({ ...before, email: look.email ?? '' }));
        },
        (error: unknown) => setTrouble(problemText(problemOf(error))),
      );
  }, [link, lookAt]);
  const join = async () => {
    try {
      if (me) signedInAs(me);
      const joined = await take({ joiningDto: { link, ...(found?.signedIn ? {} : account) } }).unwrap();
      sessionStorage.removeItem(KEPT);
      signedInAs(joined);
      const kitchen = joined.kitchens.findLast(({ name }) => name === found?.kitchen) ?? joined.kitchens[0];
      window.location.assign(kitchen ? kitchenPath(kitchen.key) : '/account');
    } catch (error) {
      setTrouble(problemText(problemOf(error)));
    }
  };
  if (!found)
    return (
      <Doorway title="An invitation">
        {trouble === '' ? (
          <p className="muted">Being opened …</p>
        ) : (
          <>
            <Remark tone="bad">{trouble}</Remark>
            <p>
              <Link className="underline" to="/enter">
                Sign in
              </Link>
            </p>
          </>
        )}
      </Doorway>
    );
  return (
    <Doorway
      title={`Join ${found.kitchen}`}
      beside={
        <>
          <h2>What it says</h2>
          <p>{found.by} invites you.</p>
          <dl>
            <dt>Kitchen</dt>
            <dd>{found.kitchen}</dd>
            <dt>As</dt>
            <dd>{found.role}</dd>
            <dt>Who</dt>
            <dd>{ROLE_WORDS[found.role]}</dd>
            <dt>Costs</dt>
            <dd>{found.costs ? 'shown' : 'not shown'}</dd>
          </dl>
        </>
      }
    >
      {trouble !== '' && <Remark tone="bad">{trouble}</Remark>}
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void join();
        }}
      >
        {found.signedIn ? (
          <p>You are signed in as {me?.name ?? '…'}.</p>
        ) : (
          <>
            <Field label="Your name, as the others see it">
              <Input
                required
                autoFocus
                autoComplete="name"
                maxLength={80}
                value={account.name}
                onChange={({ target }) => setAccount({ ...account, name: target.value })}
              />
            </Field>
            <Field label="E-mail address, to sign in with">
              <Input
                type="email"
                required
                autoComplete="username"
                maxLength={254}
                value={account.email}
                onChange={({ target }) => setAccount({ ...account, email: target.value })}
              />
            </Field>
            <NewPassword label="Password" value={account.password} onChange={(password) => setAccount({ ...account, password })} />
          </>
        )}
        <Button kind="main" disabled={isLoading}>
          Join
        </Button>
      </form>
      {!found.signedIn && (
        <>
          <hr />
          <Link className="underline muted" to="/enter?back=/join">
            I have an account: sign in first
          </Link>
        </>
      )}
    </Doorway>
  );
}
