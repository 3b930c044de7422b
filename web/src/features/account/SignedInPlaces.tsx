import { useEndAllSignInsMutation, useEndSignInMutation, useListSignInsQuery, useOwnDeedsQuery } from '../../api/api.gen';
import { Button } from '../../ui/Button';
import { Chip } from '../../ui/Chip';
import { browserWords } from './browserWords';
import { dayAndTime } from './dayAndTime';
import { leave } from './leave';

const WAYS: Readonly<Record<string, string>> = {
  link: 'by a link of the command line',
  password: 'with the password',
  passkey: 'with a passkey',
  reset: 'with a new password',
  invitation: 'by an invitation',
};

const DEEDS: Readonly<Record<string, string>> = {
  signIn: 'Signed in',
  wrongPassword: 'A wrong password was given',
  askReset: 'A link to a new password was asked for',
  resetPassword: 'A new password was taken by a link',
  changePassword: 'The password was changed',
  changeName: 'The name was changed',
  changeEmail: 'The address was changed',
  addPasskey: 'A passkey was made',
  removePasskey: 'A passkey was removed',
  endAllSignIns: 'Signed out everywhere',
};

/** Where one is signed in, ending that at one place or everywhere, and what happened to the account lately. */
export function SignedInPlaces() {
  const { data: places = [], refetch } = useListSignInsQuery(undefined, { refetchOnMountOrArgChange: true });
  const { data: deeds = [] } = useOwnDeedsQuery(undefined, { refetchOnMountOrArgChange: true });
  const [end] = useEndSignInMutation();
  const [endAll] = useEndAllSignInsMutation();
  return (
    <section className="account-part" aria-labelledby="account-places">
      <h2 id="account-places">Signed in</h2>
      <ul className="account-rows">
        {places.map(({ id, here, way, address, agent, createdAt, seenAt }) => (
          <li key={id}>
            <span>
              {browserWords(agent)} {here && <Chip>here</Chip>}
              <span className="faint text-small block">
                {WAYS[way] ?? way}, {dayAndTime(createdAt)}, from {address}; used last {dayAndTime(seenAt)}
              </span>
            </span>
            {!here && (
              <Button kind="quiet" aria-label={`Sign out ${browserWords(agent)}`} onClick={() => void end({ id }).unwrap().then(refetch)}>
                Sign out
              </Button>
            )}
          </li>
        ))}
      </ul>
      <p className="flex gap-3">
        <Button onClick={() => void endAll().unwrap().then(leave)}>Sign out everywhere, here too</Button>
      </p>
      {deeds.length > 0 && (
        <details className="account-deeds">
          <summary>What happened to this account</summary>
          <ol>
            {deeds.map(({ seq, does, at, from }) => (
              <li key={seq}>
                <span>{DEEDS[does] ?? does}</span>
                <span className="faint text-small">
                  {dayAndTime(at)}, from {from}
                </span>
              </li>
            ))}
          </ol>
        </details>
      )}
    </section>
  );
}
