import { Link } from 'react-router';
import { NoPrice } from '../account/NoPrice';
import { useMay } from '../account/useMe';
import { useGetKitchenQuery, useLogBatchesQuery, type LoggedBatchDto } from '../../api/api.gen';
import { UnreadPage } from '../../ui/UnreadPage';
import { problemOf, problemText } from '../../api/problem';
import { Button } from '../../ui/Button';
import { Ledger, LedgerGroup, LedgerRow } from '../../ui/Ledger';
import { numberText, priceText } from '../../ui/numberText';
import { batchDay, batchNote, isUnusual } from './batchWords';
import { PhotoSmall } from '../photos/PhotoSmall';
import { Rating } from './Rating';
import './batches.css';
import { kitchenAddress } from '../../api/kitchenAtHand';

/** Everything that was cooked, the newest first, month by month. */
export function BatchesPage() {
  const { data: rows, error, refetch } = useLogBatchesQuery({}, { refetchOnMountOrArgChange: true });
  const currency = useGetKitchenQuery().data?.currency ?? 'EUR';
  if (error) return <UnreadPage why={problemText(problemOf(error))} onRetry={() => void refetch()} />;
  if (!rows) return <main className="page" aria-busy="true" />;
  return (
    <main className="page">
      <div className="page-head">
        <h1>Batches</h1>
        <span className="muted">{rows.length > 0 && `${rows.length} cooked, ${rows.reduce((sum, row) => sum + row.boxes, 0)} boxes`}</span>
        {rows.length > 0 && (
          <Button asChild kind="quiet" className="ml-auto">
            <a href={kitchenAddress('/exports/batches.csv')} download>
              As CSV
            </a>
          </Button>
        )}
      </div>
      {rows.length === 0 ? (
        <div className="empty">
          <h2>Nothing was cooked yet</h2>
          <p className="muted mb-4">
            What a dish really weighs, loses and costs is measured when it is cooked. Open a dish and log its first batch.
          </p>
          <Button asChild kind="main">
            <Link to="/recipes">To the recipes</Link>
          </Button>
        </div>
      ) : (
        <Ledger className="all-batches">
          <LedgerRow heads>
            <span>batch</span>
            <span>dish</span>
            <span className="num">boxes</span>
            <span className="num">kcal a box</span>
            <span>came out, of what went in</span>
            <span className="num">minutes</span>
            <span className="num">used</span>
            <span className="num">paid</span>
            <span className="num">tasted</span>
          </LedgerRow>
          {monthsOf(rows).map(([month, own]) => (
            <div className="contents" key={month}>
              <LedgerGroup>{month}</LedgerGroup>
              {own.map((row) => (
                <BatchRow key={row.id} row={row} currency={currency} />
              ))}
            </div>
          ))}
        </Ledger>
      )}
    </main>
  );
}

function BatchRow({ row, currency }: { readonly row: LoggedBatchDto; readonly currency: string }) {
  const showsCosts = useMay('costs');
  return (
    <LedgerRow>
      <span>
        {row.photo && <PhotoSmall photo={row.photo} of={`${row.title}, ${batchDay(row.date)}`} />}
        <Link className="dish" to={`/batches/${row.recipe}?batch=${row.id}`}>
          {batchDay(row.date)}
        </Link>
        <span className="batch-said">{batchNote(row)}</span>
        {row.leaveOut && <span className="batch-said warn">left out of what is learned</span>}
      </span>
      <span>
        <Link className="hover:underline" to={`/batches/${row.recipe}`}>
          {row.title}
        </Link>
        {row.uncomputed !== null && <span className="batch-said bad">✕ {row.uncomputed}</span>}
      </span>
      <span className="num">{row.boxes}</span>
      <span className="num">{row.energyKcal === null ? '?' : numberText(row.energyKcal, 0)}</span>
      <span>
        {row.yields.length === 0 && <span className="faint">not weighed</span>}
        {row.yields.map((one) => (
          <span key={one.part} className={isUnusual(one) ? 'warn block' : 'block'}>
            {isUnusual(one) && '▲ '}
            {one.name} {one.factor === null ? '?' : numberText(one.factor, 3)}
            {one.mean !== null && <span className="faint"> mean {numberText(one.mean, 3)}</span>}
          </span>
        ))}
      </span>
      <span className="num">{row.activeMinutes ?? '–'}</span>
      <span className="num">
        {row.used === null ? showsCosts ? '?' : <NoPrice /> : `${row.usedAtLeast ? '≥ ' : ''}${priceText(row.used, currency)}`}
      </span>
      <span className="num">{row.paid === null ? '–' : priceText(Number(row.paid), currency)}</span>
      <span className="num">
        <Rating rating={row.rating} />
      </span>
    </LedgerRow>
  );
}

function monthsOf(rows: readonly LoggedBatchDto[]): readonly (readonly [month: string, rows: readonly LoggedBatchDto[]])[] {
  const months = new Map<string, LoggedBatchDto[]>();
  for (const row of rows) {
    const month = new Date(`${row.date}T12:00:00Z`).toLocaleDateString('en-GB', { month: 'long', year: 'numeric', timeZone: 'UTC' });
    const own = months.get(month);
    if (own) own.push(row);
    else months.set(month, [row]);
  }
  return [...months];
}
