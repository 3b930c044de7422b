import { useState } from 'react';
import {
  useChangeMemberMutation,
  useInviteMutation,
  useListInvitationsQuery,
  useListMembersQuery,
  useRemoveMemberMutation,
  useWithdrawInvitationMutation,
  type MemberDto,
  type NewInvitationDto,
} from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { Button } from '../../ui/Button';
import { Chip } from '../../ui/Chip';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { Ledger, LedgerRow } from '../../ui/Ledger';
import { Remark } from '../../ui/Remark';
import { Select } from '../../ui/Select';
import { UnreadPage } from '../../ui/UnreadPage';
import { dayAndTime } from '../account/dayAndTime';
import { initials } from '../account/initials';
import { ROLE_WORDS, ROLES, seesCosts, type Role } from '../account/roleWords';
import { useMay } from '../account/useMe';
import { KitchenFrame } from './KitchenFrame';

/** Who is a member of the kitchen and as what; owners change that, and invite. */
export function MembersPage() {
  const { data: members, error, refetch } = useListMembersQuery(undefined, { refetchOnMountOrArgChange: true });
  const [trouble, setTrouble] = useState('');
  const manages = useMay('manage');
  if (error) return <UnreadPage why={problemText(problemOf(error))} onRetry={() => void refetch()} />;
  return (
    <KitchenFrame>
      {trouble !== '' && <Remark tone="bad">{trouble}</Remark>}
      <Ledger className="members-ledger">
        <LedgerRow heads>
          <span>Who</span>
          <span>As</span>
          <span>Costs</span>
          <span>Since</span>
          <span />
        </LedgerRow>
        {members?.map((member) => (
          <MemberRow key={member.id} member={member} manages={manages} onTrouble={setTrouble} onChanged={() => void refetch()} />
        ))}
      </Ledger>
      <dl className="members-roles">
        {ROLES.map((role) => (
          <div key={role}>
            <dt>{role}</dt>
            <dd>{ROLE_WORDS[role]}</dd>
          </div>
        ))}
      </dl>
      {manages && <Invitations />}
    </KitchenFrame>
  );
}

interface MemberRowProps {
  readonly member: MemberDto;
  readonly manages: boolean;
  readonly onTrouble: (trouble: string) => void;
  readonly onChanged: () => void;
}

function MemberRow({ member: { id, name, email, role, costs, you, joinedAt }, manages, onTrouble, onChanged }: MemberRowProps) {
  const [change] = useChangeMemberMutation();
  const [remove] = useRemoveMemberMutation();
  const [asked, setAsked] = useState(false);
  const done = (work: Promise<unknown>) =>
    void work.then(
      () => {
        onTrouble('');
        onChanged();
      },
      (error: unknown) => onTrouble(problemText(problemOf(error))),
    );
  const become = (next: { readonly role: Role; readonly costs: boolean }) =>
    done(change({ id, changingMemberDto: { role: next.role, costs: next.costs } }).unwrap());
  return (
    <LedgerRow>
      <span className="member-who">
        <span className="member-mark" aria-hidden>
          {initials(name)}
        </span>
        <span>
          {name} {you && <Chip>you</Chip>}
          {email !== undefined && <span className="faint text-small block">{email}</span>}
        </span>
      </span>
      <span>
        {manages ? (
          <Select aria-label={`${name} is`} value={role} onChange={({ target }) => become({ role: target.value as Role, costs })}>
            {ROLES.map((one) => (
              <option key={one}>{one}</option>
            ))}
          </Select>
        ) : (
          role
        )}
      </span>
      <span>
        {manages && !seesCosts(role) ? (
          <label className="flex gap-2 items-center">
            <input type="checkbox" checked={costs} onChange={({ target }) => become({ role, costs: target.checked })} />
            shown
          </label>
        ) : costs ? (
          'shown'
        ) : (
          <span className="muted">not shown</span>
        )}
      </span>
      <span className="muted text-small">{dayAndTime(joinedAt)}</span>
      <span className="text-right">
        {manages &&
          !you &&
          (asked ? (
            <>
              <Button kind="quiet" onClick={() => done(remove({ id }).unwrap())}>
                Take {name} out
              </Button>{' '}
              <Button kind="quiet" onClick={() => setAsked(false)}>
                Leave
              </Button>
            </>
          ) : (
            <Button kind="quiet" aria-label={`Take out ${name}`} onClick={() => setAsked(true)}>
              Take out
            </Button>
          ))}
      </span>
    </LedgerRow>
  );
}

/** Inviting, and invitations that wait. */
function Invitations() {
  const { data: waiting = [], refetch } = useListInvitationsQuery(undefined, { refetchOnMountOrArgChange: true });
  const [invite, { isLoading }] = useInviteMutation();
  const [withdraw] = useWithdrawInvitationMutation();
  const [asked, setAsked] = useState<{ readonly role: Role; readonly costs: boolean; readonly email: string }>({
    role: 'editor',
    costs: true,
    email: '',
  });
  const [made, setMade] = useState<NewInvitationDto>();
  const [trouble, setTrouble] = useState('');
  const say = (error: unknown) => setTrouble(problemText(problemOf(error)));
  const send = async () => {
    const { role, costs, email } = asked;
    try {
      setMade(await invite({ invitingDto: { role, costs, ...(email.trim() === '' ? {} : { email: email.trim() }) } }).unwrap());
      setAsked({ ...asked, email: '' });
      setTrouble('');
      void refetch();
    } catch (error) {
      say(error);
    }
  };
  return (
    <section aria-labelledby="members-invite">
      <h2 id="members-invite">Invite somebody</h2>
      {trouble !== '' && <Remark tone="bad">{trouble}</Remark>}
      <form
        className="members-invite"
        onSubmit={(event) => {
          event.preventDefault();
          void send();
        }}
      >
        <Field label="As">
          <Select
            value={asked.role}
            onChange={({ target }) => {
              const role = target.value as Role;
              setAsked({ ...asked, role, costs: seesCosts(role) });
            }}
          >
            {ROLES.map((one) => (
              <option key={one}>{one}</option>
            ))}
          </Select>
        </Field>
        <Field label="E-mail address, or none: you hand the link over">
          <Input type="email" maxLength={254} value={asked.email} onChange={({ target }) => setAsked({ ...asked, email: target.value })} />
        </Field>
        {!seesCosts(asked.role) && (
          <label className="flex gap-2 items-center">
            <input type="checkbox" checked={asked.costs} onChange={({ target }) => setAsked({ ...asked, costs: target.checked })} />
            shown costs
          </label>
        )}
        <Button kind="main" disabled={isLoading}>
          Make an invitation
        </Button>
      </form>
      {made && (
        <div className="members-link" role="status">
          <p>
            {made.sent ? `Sent to ${made.email}. ` : ''}This link lets one person join as {made.role}, within seven days. It is shown this
            once:
          </p>
          <p className="flex gap-2">
            <Input readOnly aria-label="Link of the invitation" value={made.link} onFocus={({ target }) => target.select()} />
            <Button onClick={() => void navigator.clipboard?.writeText(made.link)}>Copy</Button>
          </p>
        </div>
      )}
      {waiting.length > 0 && (
        <ul className="members-waiting">
          {waiting.map(({ id, role, email, by, expiresAt }) => (
            <li key={id}>
              <span>
                {email ?? 'whoever has the link'} <span className="muted">as {role}</span>
                <span className="faint text-small block">
                  by {by}, until {dayAndTime(expiresAt)}
                </span>
              </span>
              <Button
                kind="quiet"
                aria-label={`Withdraw the invitation of ${email ?? 'whoever has the link'}`}
                onClick={() => void withdraw({ id }).unwrap().then(refetch, say)}
              >
                Withdraw
              </Button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
