import { useState } from 'react';
import { Link } from 'react-router';
import { useAskResetMutation, useTakeResetMutation } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { Remark } from '../../ui/Remark';
import { arrive } from './arrive';
import { Doorway } from './Doorway';
import { NewPassword } from './NewPassword';
import { secretInAddress } from './secretInAddress';

/** A new password: asked for by an address, and chosen by the link that comes. */
export function ResetPage() {
  const [link] = useState(secretInAddress);
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const [asked, setAsked] = useState(false);
  const [trouble, setTrouble] = useState('');
  const [ask, { isLoading: asking }] = useAskResetMutation();
  const [take, { isLoading: taking }] = useTakeResetMutation();
  const say = (error: unknown) => setTrouble(problemText(problemOf(error)));
  const remark = trouble !== '' && <Remark tone="bad">{trouble}</Remark>;
  if (link !== '')
    return (
      <Doorway title="A new password">
        {remark}
        <form
          onSubmit={(event) => {
            event.preventDefault();
            void take({ resettingDto: { link, password } })
              .unwrap()
              .then((me) => arrive(me, null), say);
          }}
        >
          <NewPassword value={password} onChange={setPassword} />
          <p className="faint text-small">Wherever else you are signed in, you are signed out.</p>
          <Button kind="main" disabled={taking}>
            Take it and sign in
          </Button>
        </form>
      </Doorway>
    );
  return (
    <Doorway title="A new password">
      {remark}
      {asked ? (
        <p role="status">If there is an account under {email}, a letter is on its way to it. The link in it works once, for an hour.</p>
      ) : (
        <form
          onSubmit={(event) => {
            event.preventDefault();
            void ask({ askingResetDto: { email } })
              .unwrap()
              .then(() => setAsked(true), say);
          }}
        >
          <Field label="The address you sign in with">
            <Input
              type="email"
              autoComplete="username"
              required
              autoFocus
              value={email}
              onChange={({ target }) => setEmail(target.value)}
            />
          </Field>
          <Button kind="main" disabled={asking}>
            Send me a link
          </Button>
        </form>
      )}
      <hr />
      <Link className="underline muted" to="/enter">
        Back to signing in
      </Link>
    </Doorway>
  );
}
