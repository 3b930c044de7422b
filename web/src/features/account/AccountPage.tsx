import { useState } from 'react';
import { useChangeMeMutation, useChangePasswordMutation, useGetMeQuery, type MeDto } from '../../api/api.gen';
import { signedInAs } from '../../api/pageToken';
import { problemOf, problemText } from '../../api/problem';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { Remark } from '../../ui/Remark';
import { useToast } from '../../ui/Toasts';
import { AccountFrame } from './AccountFrame';
import { EndAccount } from './EndAccount';
import { NewPassword } from './NewPassword';
import { OwnKitchens } from './OwnKitchens';
import { OwnPasskeys } from './OwnPasskeys';
import { OwnPassword } from './OwnPassword';
import { SignedInPlaces } from './SignedInPlaces';

/** Who one is here: name and address, how one signs in and where one is signed in, and the kitchens one may open. */
export function AccountPage() {
  const { data: me, refetch } = useGetMeQuery();
  if (!me) return <main className="page" aria-busy="true" />;
  signedInAs(me);
  const again = () => void refetch();
  return (
    <AccountFrame me={me}>
      <main className="account">
        <h1>Your account</h1>
        {me.mustSetUp && (
          <Remark tone="warn">
            This server is reached from elsewhere. Say an address and a password, or make a passkey, before anything else: the link that let
            you in works no more.
          </Remark>
        )}
        <div className="account-columns">
          <div>
            <You key={`${me.name} ${me.email}`} me={me} onChanged={again} />
            <Password me={me} onChanged={again} />
            <OwnPasskeys onChanged={again} />
            <SignedInPlaces />
            <EndAccount me={me} />
          </div>
          <OwnKitchens me={me} onChanged={again} />
        </div>
      </main>
    </AccountFrame>
  );
}

interface PartProps {
  readonly me: MeDto;
  readonly onChanged: () => void;
}

function You({ me, onChanged }: PartProps) {
  const [change, { isLoading }] = useChangeMeMutation();
  const [asked, setAsked] = useState({ name: me.name, email: me.email ?? '', password: '' });
  const [trouble, setTrouble] = useState('');
  const say = useToast();
  const moved = asked.email.trim() !== (me.email ?? '');
  const save = async () => {
    const { name, email, password } = asked;
    try {
      await change({
        changingMeDto: { name, ...(moved ? { email: email.trim() } : {}), ...(password === '' ? {} : { password }) },
      }).unwrap();
      setTrouble('');
      say('Changed.');
      onChanged();
    } catch (error) {
      setTrouble(problemText(problemOf(error)));
    }
  };
  return (
    <section className="account-part" aria-labelledby="account-you">
      <h2 id="account-you">You</h2>
      {trouble !== '' && <Remark tone="bad">{trouble}</Remark>}
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void save();
        }}
      >
        <Field label="Name, as the others see it">
          <Input required maxLength={80} value={asked.name} onChange={({ target }) => setAsked({ ...asked, name: target.value })} />
        </Field>
        <Field label="E-mail address, to sign in with">
          <Input
            type="email"
            maxLength={254}
            autoComplete="username"
            value={asked.email}
            onChange={({ target }) => setAsked({ ...asked, email: target.value })}
          />
        </Field>
        {moved && me.hasPassword && (
          <OwnPassword
            label="Your password, since the address is another"
            value={asked.password}
            onChange={(said) => setAsked({ ...asked, password: said })}
          />
        )}
        <Button disabled={isLoading || (asked.name === me.name && !moved)}>Change</Button>
      </form>
    </section>
  );
}

function Password({ me, onChanged }: PartProps) {
  const [change, { isLoading }] = useChangePasswordMutation();
  const [before, setBefore] = useState('');
  const [password, setPassword] = useState('');
  const [trouble, setTrouble] = useState('');
  const say = useToast();
  const save = async () => {
    try {
      await change({ changingPasswordDto: { password, ...(me.hasPassword ? { before } : {}) } }).unwrap();
      setBefore('');
      setPassword('');
      setTrouble('');
      say('The new password holds. Everywhere but here you are signed out.');
      onChanged();
    } catch (error) {
      setTrouble(problemText(problemOf(error)));
    }
  };
  return (
    <section className="account-part" aria-labelledby="account-password">
      <h2 id="account-password">Password</h2>
      {!me.hasPassword && (
        <p className="muted">
          You have none. At this machine a link of the command line lets you in; from elsewhere you need one, or a passkey.
        </p>
      )}
      {trouble !== '' && <Remark tone="bad">{trouble}</Remark>}
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void save();
        }}
      >
        {/* For browsers that keep passwords: whose it is. */}
        <input type="text" className="sr" autoComplete="username" value={me.email ?? ''} readOnly tabIndex={-1} aria-hidden />
        {me.hasPassword && <OwnPassword label="The one that holds" value={before} onChange={setBefore} />}
        <NewPassword value={password} onChange={setPassword} />
        <Button disabled={isLoading || password === ''}>{me.hasPassword ? 'Take the new one' : 'Take it'}</Button>
      </form>
    </section>
  );
}
