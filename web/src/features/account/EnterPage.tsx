import { useEffect, useRef, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { KeyRound } from 'lucide-react';
import { useAskPasskeyMutation, useEnterMutation, useSignInByPasskeyMutation, useSignInMutation, type MeDto } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { Remark } from '../../ui/Remark';
import { arrive } from './arrive';
import { Doorway } from './Doorway';
import { canHavePasskeys, showPasskey } from './passkeyInBrowser';
import { secretInAddress } from './secretInAddress';

/** Where one signs in: by the link of the command line, which does it by itself, with a password or with a passkey. */
export function EnterPage() {
  const [link] = useState(secretInAddress);
  const [search] = useSearchParams();
  const back = search.get('back');
  const [enter] = useEnterMutation();
  const [signIn, { isLoading: signingIn }] = useSignInMutation();
  const [askPasskey] = useAskPasskeyMutation();
  const [byPasskey] = useSignInByPasskeyMutation();
  const [trouble, setTrouble] = useState('');
  const [asked, setAsked] = useState({ email: '', password: '' });
  const tried = useRef(false);
  const attempt = async (work: () => Promise<MeDto>) => {
    try {
      arrive(await work(), back);
    } catch (error) {
      setTrouble(problemText(problemOf(error)));
    }
  };
  useEffect(() => {
    if (link === '' || tried.current) return;
    tried.current = true;
    void attempt(() => enter({ enteringDto: { link } }).unwrap());
  });
  if (link !== '' && trouble === '')
    return (
      <Doorway title="Signing you in …">
        <p className="muted">By the link of the command line.</p>
      </Doorway>
    );
  const passkey = async () => {
    const { options } = await askPasskey().unwrap();
    let shown: object;
    try {
      shown = await showPasskey(options);
    } catch {
      setTrouble('No passkey was shown. Sign in another way, or try again.');
      return;
    }
    await attempt(() => byPasskey({ body: { response: shown } }).unwrap());
  };
  return (
    <Doorway
      title="Sign in"
      beside={
        <>
          <h2>Sitting at the machine?</h2>
          <p>Whoever started Portiona needs no password there. This prints a link that signs in once:</p>
          <p>
            <code>./portiona link</code>
          </p>
          <p>Invited? Open the link you were sent: it makes your account.</p>
        </>
      }
    >
      {trouble !== '' && <Remark tone="bad">{trouble}</Remark>}
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void attempt(() => signIn({ signingInDto: asked }).unwrap());
        }}
      >
        <Field label="E-mail address">
          <Input
            type="email"
            autoComplete="username webauthn"
            required
            autoFocus
            value={asked.email}
            onChange={({ target }) => setAsked({ ...asked, email: target.value })}
          />
        </Field>
        <Field label="Password">
          <Input
            type="password"
            autoComplete="current-password"
            required
            value={asked.password}
            onChange={({ target }) => setAsked({ ...asked, password: target.value })}
          />
        </Field>
        <p className="flex gap-4 items-center">
          <Button kind="main" disabled={signingIn}>
            Sign in
          </Button>
          <Link className="underline muted" to="/reset">
            A new password
          </Link>
        </p>
      </form>
      {canHavePasskeys() && (
        <>
          <hr />
          <Button onClick={() => void passkey().catch((error: unknown) => setTrouble(problemText(problemOf(error))))}>
            <KeyRound size={15} aria-hidden /> Sign in with a passkey
          </Button>
        </>
      )}
    </Doorway>
  );
}
