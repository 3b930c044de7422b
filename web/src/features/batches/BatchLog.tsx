import { Link } from 'react-router';
import { IfMay } from '../account/IfMay';
import { NoPrice } from '../account/NoPrice';
import { useMay } from '../account/useMe';
import { useMemo } from 'react';
import type { LoggedBatchDto } from '../../api/api.gen';
import { Button } from '../../ui/Button';
import { numberText, priceText } from '../../ui/numberText';
import { batchDay, batchNote, isUnusual, laneRange } from './batchWords';
import { Lane, LaneHead } from './Lane';
import { PhotoSmall } from '../photos/PhotoSmall';
import { Rating } from './Rating';
import { useBatchEdit } from './useBatches';

interface BatchLogProps {
  readonly rows: readonly LoggedBatchDto[];
  readonly stated: number | undefined;
  readonly currency: string;
  readonly chosen: string | undefined;
  /** The batch whose measurements are open. */
  readonly open: string | undefined;
  readonly onShow: (change: Readonly<Record<string, string | undefined>>) => void;
  readonly children: React.ReactNode;
}

/** The log as a control chart: a row a batch, the newest first. */
export function BatchLog({ rows, stated, currency, chosen, open, onShow, children }: BatchLogProps) {
  const showsCosts = useMay('costs');
  const parts = useMemo(() => partsOf(rows), [rows]);
  const minutes = rows.flatMap(({ activeMinutes }) => activeMinutes ?? []);
  const minuteRange = laneRange([...minutes, ...(stated === undefined ? [] : [stated])]);
  const used = rows.every((row) => row.used !== null) ? rows.reduce((sum, row) => sum + (row.used ?? 0), 0) : undefined;
  const boxes = rows.reduce((sum, row) => sum + row.boxes, 0);
  return (
    <div className="batch-log" style={{ '--lanes': parts.length + 1 } as React.CSSProperties}>
      <div className="batch-row heads" aria-hidden>
        <span>
          <b>Batch</b>
          <span>who, and what was different</span>
        </span>
        <span className="num">
          <b>Boxes</b>
        </span>
        {parts.map(({ part, name, range, limits }) => (
          <span key={part}>
            <LaneHead
              name={name}
              of="out of in"
              range={range}
              marks={
                limits === undefined
                  ? []
                  : [
                      ...(limits.low === undefined ? [] : [{ at: limits.low, text: numberText(limits.low, 3) }]),
                      { at: limits.mean, text: numberText(limits.mean, 3), strong: true },
                      ...(limits.high === undefined ? [] : [{ at: limits.high, text: numberText(limits.high, 3) }]),
                    ]
              }
            />
          </span>
        ))}
        <span>
          <LaneHead
            name="Minutes"
            of="at the stove"
            range={minuteRange}
            marks={stated === undefined ? [] : [{ at: stated, text: `${stated} stated` }]}
          />
        </span>
        <span className="num">
          <b>Used</b>
          <span>paid at the till</span>
        </span>
        <span className="num">
          <b>Tasted</b>
          <span>of 5</span>
        </span>
      </div>
      <ol aria-label="Batches, the newest first">
        {rows.map((row) => {
          const odd = row.yields.some(isUnusual);
          return (
            <li className={`batch-block ${odd && !row.leaveOut ? 'odd' : ''} ${row.id === chosen ? 'chosen' : ''}`} key={row.id}>
              <div className="batch-row">
                <span>
                  {row.photo && <PhotoSmall photo={row.photo} of={`${row.title}, ${batchDay(row.date)}`} />}
                  <button
                    className="batch-pick"
                    aria-current={row.id === chosen}
                    onClick={() => onShow({ batch: row.id, edit: open === undefined ? undefined : row.id })}
                  >
                    {batchDay(row.date)}
                  </button>
                  <button
                    className="batch-more"
                    aria-expanded={open === row.id}
                    onClick={() => onShow(open === row.id ? { edit: undefined } : { batch: row.id, edit: row.id })}
                  >
                    measured {open === row.id ? '▴' : '▾'}
                  </button>
                  <Link
                    className="batch-more underline"
                    to={`/portion/${row.id}`}
                    aria-label={`Boxes of the batch of ${batchDay(row.date)}`}
                  >
                    boxes
                  </Link>
                  <span className="batch-said">{batchNote(row)}</span>
                  {row.leaveOut && <span className="batch-said warn">left out: nothing is learned from it</span>}
                  {row.uncomputed !== null && <span className="batch-said bad">✕ {row.uncomputed}</span>}
                </span>
                <span className="num batch-boxes">
                  {row.boxes}
                  <span className="sr"> boxes</span>
                </span>
                {parts.map(({ part, name, range, limits }) => {
                  const own = row.yields.find((one) => one.part === part);
                  const far = own !== undefined && isUnusual(own);
                  return (
                    <span key={part}>
                      <Lane
                        name={`${name}, out of in`}
                        range={range}
                        limits={limits}
                        amount={own?.factor ?? undefined}
                        odd={far}
                        text={
                          own?.factor == null
                            ? '–'
                            : `${numberText(own.factor, 3)}${far && own.net !== null ? `, ${numberText(own.net, 0)} g` : ''}`
                        }
                      />
                    </span>
                  );
                })}
                <span>
                  <Lane
                    name="Minutes at the stove"
                    range={minuteRange}
                    stated={stated}
                    amount={row.activeMinutes ?? undefined}
                    text={row.activeMinutes === null ? '–' : String(row.activeMinutes)}
                  />
                </span>
                <span className="num batch-money">
                  <span className="sr">used </span>
                  {row.used === null ? showsCosts ? '?' : <NoPrice /> : `${row.usedAtLeast ? '≥ ' : ''}${priceText(row.used, currency)}`}
                  <small>
                    <span className="sr">paid </span>
                    {row.paid === null ? '–' : priceText(Number(row.paid), currency)}
                  </small>
                </span>
                <span className="num">
                  <Rating rating={row.rating} />
                </span>
              </div>
              {odd && <Unusual row={row} />}
              {open === row.id && row.id === chosen && children}
            </li>
          );
        })}
      </ol>
      <p className="batch-sum">
        <b>{rows.length === 1 ? 'One batch' : `${rows.length} batches`}</b>, {boxes} boxes
        {used !== undefined && <>; used in all {priceText(used, currency)}, toppings with it, at prices of today or as paid</>}.
      </p>
    </div>
  );
}

interface LanePart {
  readonly part: string;
  readonly name: string;
  readonly range: readonly [number, number];
  readonly limits: { readonly mean: number; readonly low: number | undefined; readonly high: number | undefined } | undefined;
}

/** Parts that were measured, at most two, those measured most; each with what is usual before the newest batch that has it. */
function partsOf(rows: readonly LoggedBatchDto[]): LanePart[] {
  const names = new Map(rows.flatMap(({ yields }) => yields.map(({ part, name }) => [part, name] as const)));
  return [...names]
    .map(([part, name]) => {
      const own = rows.flatMap(({ yields }) => yields.filter((one) => one.part === part && one.factor !== null));
      const known = own.find(({ mean }) => mean !== null);
      const limits = known?.mean == null ? undefined : { mean: known.mean, low: known.low ?? undefined, high: known.high ?? undefined };
      const amounts = [
        ...own.flatMap(({ factor }) => factor ?? []),
        ...(limits ? [limits.mean, limits.low ?? limits.mean, limits.high ?? limits.mean] : []),
      ];
      return { part, name, limits, range: laneRange(amounts), measured: own.length };
    })
    .sort((a, b) => b.measured - a.measured)
    .slice(0, MOST_LANES);
}
const MOST_LANES = 2;

/** A yield outside its limits asks one question, in place. */
function Unusual({ row }: { readonly row: LoggedBatchDto }) {
  const edit = useBatchEdit(row.id);
  const [odd] = row.yields.filter(isUnusual);
  if (odd?.low == null || odd.high == null || odd.factor === null) return null;
  const kept = odd.factor < odd.low ? 'kept less' : 'kept more';
  return (
    <div className="batch-ask">
      <b>▲ Unusual</b>
      <span>
        {odd.name} {kept} than its {odd.batches} batches before, {numberText(odd.low, 3)} to {numberText(odd.high, 3)}.{' '}
        {row.leaveOut ? 'It is left out of what is learned.' : 'Should later batches learn from it?'}
      </span>
      {row.leaveOut ? (
        <IfMay right="cook">
          <Button onClick={() => void edit({ do: 'say', head: { leaveOut: null } })}>It counts after all</Button>
        </IfMay>
      ) : (
        <IfMay right="cook">
          <Button kind="main" onClick={() => void edit({ do: 'say', head: { leaveOut: true } })}>
            Leave it out
          </Button>
        </IfMay>
      )}
    </div>
  );
}
