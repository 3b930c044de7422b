import { useListPublishedCardsQuery } from '../../api/api.gen';

/** Milliseconds between looks: a label or a price may have changed elsewhere. */
const LOOK = 120_000;

/** How many published cards moved: seen wherever one is. */
export function CardsMark() {
  const moved = useListPublishedCardsQuery(undefined, {
    pollingInterval: LOOK,
    skipPollingIfUnfocused: true,
    selectFromResult: ({ data }) => ({ count: data?.filter(({ drift, takenBack }) => drift.length > 0 && takenBack === null).length ?? 0 }),
  }).count;
  if (moved === 0) return null;
  const said = moved === 1 ? 'one card is no longer what would be printed' : `${moved} cards are no longer what would be printed`;
  return (
    <span className="nav-mark warn" role="img" aria-label={said} title={said}>
      ▲ {moved}
    </span>
  );
}
