import { useGetMeQuery, useGetStatusQuery, type StatusDto } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { Remark } from '../../ui/Remark';
import { AccountFrame } from '../account/AccountFrame';
import { Backups } from './Backups';
import { Servers } from './Servers';
import { Jobs, Kept } from './Kept';
import './upkeep.css';

/** Milliseconds between looks. */
const LOOK_EVERY = 10_000;

/** How the installation stands, for who looks after it: what needs somebody first, then what runs, waits, is kept and was backed up. */
export function UpkeepPage() {
  const me = useGetMeQuery().data;
  const {
    data,
    error,
    fulfilledTimeStamp: at,
  } = useGetStatusQuery(undefined, {
    pollingInterval: LOOK_EVERY,
    refetchOnMountOrArgChange: true,
  });
  if (!me) return <main className="page" aria-busy="true" />;
  return (
    <AccountFrame me={me}>
      <main className="account upkeep">
        <h1>Upkeep</h1>
        {error !== undefined && <Remark tone="bad">{problemText(problemOf(error))}</Remark>}
        {data && at !== undefined && <Standing status={data} at={at} />}
      </main>
    </AccountFrame>
  );
}

interface StandingProps {
  readonly status: StatusDto;
  /** When it was told, milliseconds. */
  readonly at: number;
}

function Standing({ status, at }: StandingProps) {
  return (
    <>
      <Concerns status={status} />
      <div className="upkeep-columns">
        <div>
          <Servers servers={status.servers} now={at} />
          <Jobs jobs={status.jobs} />
          <Backups backups={status.backups} now={at} />
        </div>
        <aside className="upkeep-ticket" aria-label="Versions and what is kept">
          <Kept status={status} />
        </aside>
      </div>
    </>
  );
}

function Concerns({ status: { concerns } }: { readonly status: StatusDto }) {
  if (concerns.length === 0) return <p className="muted account-lead">Nothing needs you.</p>;
  return (
    <ul className="upkeep-concerns" aria-label="What needs you">
      {concerns.map(({ bad, words, mend }) => (
        <li key={words}>
          <Remark tone={bad ? 'bad' : 'warn'}>
            <b>{words}</b> {mend}.
          </Remark>
        </li>
      ))}
    </ul>
  );
}
