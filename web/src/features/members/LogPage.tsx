import { useState } from 'react';
import { api, useCheckDeedsQuery, useListDeedsQuery, type AuditEntryDto } from '../../api/api.gen';
import { kitchenAddress } from '../../api/kitchenAtHand';
import { problemOf, problemText } from '../../api/problem';
import { useApiDispatch } from '../../api/useApiDispatch';
import { Button } from '../../ui/Button';
import { Ledger, LedgerRow } from '../../ui/Ledger';
import { UnreadPage } from '../../ui/UnreadPage';
import { dayAndTime } from '../account/dayAndTime';
import { deedWords, groupedDeeds } from './deedWords';
import { KitchenFrame } from './KitchenFrame';

/** What was done in the kitchen, by whom, when and from where; whether the chain holds; and all of it as a file. */
export function LogPage() {
  const { data: newest, error, refetch } = useListDeedsQuery({}, { refetchOnMountOrArgChange: true });
  const { data: chain } = useCheckDeedsQuery(undefined, { refetchOnMountOrArgChange: true });
  const [older, setOlder] = useState<{ readonly entries: readonly AuditEntryDto[]; readonly more: boolean }>();
  const dispatch = useApiDispatch();
  if (error) return <UnreadPage why={problemText(problemOf(error))} onRetry={() => void refetch()} />;
  const entries = [...(newest?.entries ?? []), ...(older?.entries ?? [])];
  const last = entries.at(-1);
  const goOn = async () => {
    if (!last) return;
    const next = await dispatch(api.endpoints.listDeeds.initiate({ before: last.seq }, { subscribe: false })).unwrap();
    setOlder({ entries: [...(older?.entries ?? []), ...next.entries], more: next.more });
  };
  return (
    <KitchenFrame>
      <p className="members-chain">
        {chain === undefined ? (
          <span className="muted">The chain is being gone over …</span>
        ) : chain.brokenAt === null ? (
          <span>
            <b className="log-whole">Whole.</b> Each of {chain.entries} entries holds the hash of the one before it; none was changed or
            taken out.
          </span>
        ) : (
          <span>
            <b className="log-broken">Broken at entry {chain.brokenAt}.</b> It, or what stood before it, was changed after it was written.
            What stands from there on cannot be relied on.
          </span>
        )}
        <a className="underline" href={kitchenAddress('/audit/log.jsonl')} download>
          All of it, with the hashes
        </a>
      </p>
      <Ledger className="log-ledger">
        <LedgerRow heads>
          <span>When</span>
          <span>Who</span>
          <span>What</span>
          <span>From</span>
        </LedgerRow>
        {groupedDeeds(entries).map(({ first, last: begun, times }) => (
          <LedgerRow key={first.seq}>
            <span className="text-small">
              {dayAndTime(first.at)}
              {times > 1 && <span className="faint block">since {dayAndTime(begun.at).slice(-5)}</span>}
            </span>
            <span>
              {first.by.name ?? 'somebody'}
              {first.through === 'token' && <span className="faint text-small"> by a token</span>}
            </span>
            <span>
              {deedWords(first.does)} {(first.named ?? nameIn(first.to)) !== '' && <i>{first.named ?? nameIn(first.to)}</i>}
              {times > 1 && <span className="muted"> {times} times</span>}
            </span>
            <span className="faint text-small">{first.from}</span>
          </LedgerRow>
        ))}
      </Ledger>
      {(older?.more ?? newest?.more) && (
        <p>
          <Button onClick={() => void goOn()}>Older ones</Button>
        </p>
      )}
    </KitchenFrame>
  );
}

/** What a deed was done to, by its id. */
function nameIn(to: string): string {
  return to.split('/')[1] ?? '';
}
