import { useGetMeQuery, useListLettersQuery } from '../../api/api.gen';
import { AccountFrame } from './AccountFrame';
import { dayAndTime } from './dayAndTime';

/** Letters that were kept instead of sent: the mailer that ships sends nothing anywhere. */
export function LettersPage() {
  const me = useGetMeQuery().data;
  const { data } = useListLettersQuery(undefined, { pollingInterval: 10_000, refetchOnMountOrArgChange: true });
  if (!me) return <main className="page" aria-busy="true" />;
  return (
    <AccountFrame me={me}>
      <main className="account">
        <h1>Letters</h1>
        <p className="muted account-lead">
          {data?.leave
            ? 'Letters leave by the mail server that is set (PORTIONA_SMTP), and none is kept.'
            : 'No mail server is set (PORTIONA_SMTP), so letters stay here, two days each: new passwords and invitations.'}
        </p>
        {data?.letters.length === 0 && !data.leave && <p>None has been written yet.</p>}
        <ol className="letters">
          {data?.letters.map(({ id, to, subject, text, sentAt }) => (
            <li key={id}>
              <h2>{subject}</h2>
              <p className="faint text-small">
                to {to}, {dayAndTime(sentAt)}
              </p>
              <pre>{withLinks(text)}</pre>
            </li>
          ))}
        </ol>
      </main>
    </AccountFrame>
  );
}

/** Addresses of this place in a letter are links; everything else stays text. */
function withLinks(text: string) {
  return text.split(/(https?:\/\/\S+)/).map((piece, i) =>
    URL.canParse(piece) && new URL(piece).origin === window.location.origin ? (
      <a key={i} className="underline" href={piece}>
        {piece}
      </a>
    ) : (
      piece
    ),
  );
}
