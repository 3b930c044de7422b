import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Session, SessionPlan, StepPlace } from '@portiona/core';
import { usePrinting } from '../../ui/usePrinting';
import { classes } from '../../ui/classes';
import { dishLook } from './DishSwatch';
import { at, cookName, lengthText, placeText, type ListedStep } from './planWords';
import { freeStretches, timelineRows, type TimelineBar, type TimelineRow } from './timelineRows';

/** Width of the row's names, and the least a minute takes: pixels. */
const NAMES = 96;
const LEAST_MINUTE = 2.4;
const LANE = { hands: 50, unit: 38, stands: 30 } as const;
const GAP = 20;
/** Free time of the hands is named from so many minutes on. */
const FREE_FROM = 8;
/** Minutes that an arrow key moves a step by, and with Shift. */
const [MOVE, MOVE_FAR] = [1, 5];
/** Pixels of the smallest thing that is to be hit. */
const LEAST_TARGET = 25;
/** Pixels within which a press is no drag. */
const STILL = 4;

export interface TimelineProps {
  readonly session: Session;
  readonly plan: SessionPlan;
  readonly steps: readonly ListedStep[];
  readonly titles: readonly string[];
  readonly chain: readonly StepPlace[];
  readonly chosen: StepPlace | undefined;
  /** Minute of the session; undefined where it is not its day. */
  readonly now: number | undefined;
  readonly onChoose: (place: StepPlace) => void;
  /** Puts a step at a minute; undefined lets it go again. @param last whether the hand has let go */
  readonly onPin: (place: StepPlace, start: number | undefined, last: boolean) => void;
}

const keyOf = ({ dish, step }: StepPlace) => `${dish}/${step}`;

/** A session's plan: hands, rings, oven and the rest beneath each other, time across. Full is hands, pattern waits by itself. */
export function Timeline(props: TimelineProps) {
  const { session, plan, steps, titles, chain, now } = props;
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box);
  const minute = Math.max(LEAST_MINUTE, (width - NAMES - 12) / Math.max(1, plan.minutes));
  const x = (at: number) => NAMES + at * minute;
  const rows = useMemo(() => placed(timelineRows(plan.steps, session.cooks ?? 1)), [plan.steps, session.cooks]);
  const several = useMemo(() => severalOf(rows), [rows]);
  const numbers = useMemo(() => new Map(steps.map((step) => [keyOf(step), step])), [steps]);
  const critical = useMemo(() => new Set(chain.map(keyOf)), [chain]);
  const height = (rows.at(-1)?.top ?? 0) + (rows.at(-1)?.height ?? 0);
  const pins = new Set((session.pinned ?? []).map(keyOf));
  // Of a step's bars the widest is reached by keys and named; one too narrow to be pressed is reached in the running list.
  const named = useMemo(() => {
    const widest = new Map<string, { readonly row: string; readonly minutes: number }>();
    for (const { key, bars } of rows)
      for (const { step, from, to } of bars) {
        const known = widest.get(keyOf(step));
        if (!known || known.minutes < to - from) widest.set(keyOf(step), { row: key, minutes: to - from });
      }
    return widest;
  }, [rows]);
  return (
    <div className="timeline-scroll" ref={box} tabIndex={-1}>
      <div className="timeline" style={{ height: height + 24, width: x(plan.minutes) + 12 }} role="group" aria-label="Timeline">
        {ticks(plan.minutes, minute).map((tick) => (
          <div key={tick.at} className={classes('tick', !tick.named && 'minor')} style={{ left: x(tick.at) }}>
            {tick.named && <span>{at(session, tick.at)}</span>}
          </div>
        ))}
        <div className="tick end" style={{ left: x(plan.minutes) }}>
          <span>{at(session, plan.minutes)}</span>
        </div>
        {rows.map((row) => (
          <div key={row.key} className="timeline-row" style={{ top: row.top + 22, height: row.height }}>
            <span className="timeline-name">
              <b>{rowName(row, session, several)}</b>
              <small>{rowNote(row)}</small>
            </span>
            {row.kind === 'hands' &&
              freeStretches(row.bars, FREE_FROM).map(({ from, to }) => (
                <span
                  key={from}
                  className="free-time"
                  style={{ left: x(from) + 3, width: (to - from) * minute - 7, top: 14, height: LANE.hands - 8 }}
                >
                  {(to - from) * minute > 78 ? `${lengthText(to - from)} free` : (to - from) * minute > 30 ? `${to - from}` : ''}
                </span>
              ))}
            {row.bars.map((bar) => {
              const key = keyOf(bar.step);
              const widest = named.get(key);
              const first = widest?.row === row.key && widest.minutes * minute >= LEAST_TARGET;
              return (
                <Bar
                  key={`${row.key}-${key}`}
                  {...props}
                  bar={bar}
                  row={row}
                  listed={numbers.get(key)}
                  several={several}
                  title={titles[bar.step.dish - 1] ?? ''}
                  first={first}
                  critical={critical.has(key)}
                  pinned={pins.has(key)}
                  left={x(bar.from)}
                  minute={minute}
                />
              );
            })}
            {heats(row).map(({ from, at: heat }) => (
              <span key={from} className="heat" style={{ left: x(from) }}>
                {heat} °C
              </span>
            ))}
          </div>
        ))}
        <Chain rows={rows} chain={chain} plan={plan} x={x} />
        {now !== undefined && now >= 0 && now <= plan.minutes && (
          <>
            <div className="past" style={{ left: x(0), width: now * minute, height: height - 2 }} />
            <div className="now-line" style={{ left: x(now) - 1 }}>
              <b>{at(session, now)}</b>
            </div>
          </>
        )}
      </div>
    </div>
  );
}

interface BarProps extends TimelineProps {
  readonly bar: TimelineBar;
  readonly row: PlacedRow;
  readonly listed: ListedStep | undefined;
  readonly several: ReadonlySet<string>;
  readonly title: string;
  /** One bar of each step is reached by keys; its others say the same. */
  readonly first: boolean;
  readonly critical: boolean;
  readonly pinned: boolean;
  readonly left: number;
  readonly minute: number;
}

function Bar({ bar, row, listed, several, title, first, critical, pinned, left, minute, session, chosen, onChoose, onPin }: BarProps) {
  const { step } = bar;
  const drag = useRef<{ from: number; start: number; moved: boolean }>(undefined);
  const width = Math.max(5, (bar.to - bar.from) * minute - 1);
  const handsWidth = Math.max(0, bar.hands - bar.from) * minute;
  const all = bar.hands >= bar.to;
  const begun = (session.done ?? []).some((one) => one.dish === step.dish && one.step === step.step);
  const lane = LANE[row.kind];
  const words = listed ? `${listed.number} ${listed.title}` : '';
  const place = placeText(step, several);
  const label = `${listed?.number ?? ''}, ${listed?.title ?? ''}, ${title}, ${at(session, step.start)} to ${at(session, step.end)}${place === '' ? '' : `, ${place}`}${step.cook === null ? '' : `, ${cookName(session, step.cook)} for ${lengthText(step.hands)}`}${pinned ? ', put here by hand' : ''}${begun ? ', begun' : ''}`;
  const onKey = (event: KeyboardEvent) => {
    const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (by !== undefined && !event.altKey && !event.ctrlKey && !event.metaKey && !begun) {
      event.preventDefault();
      onPin(step, Math.max(0, step.start + by * (event.shiftKey ? MOVE_FAR : MOVE)), true);
    } else if ((event.key === 'Delete' || event.key === 'Backspace') && pinned) {
      event.preventDefault();
      onPin(step, undefined, true);
    }
  };
  const onDown = (event: PointerEvent<HTMLButtonElement>) => {
    if (event.button !== 0 || begun) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = { from: event.clientX, start: step.start, moved: false };
  };
  const onMove = (event: PointerEvent) => {
    const { current } = drag;
    if (!current) return;
    const by = event.clientX - current.from;
    if (!current.moved && Math.abs(by) < STILL) return;
    current.moved = true;
    onPin(step, Math.max(0, Math.round(current.start + by / minute)), false);
  };
  const onUp = (event: PointerEvent) => {
    const { current } = drag;
    drag.current = undefined;
    if (current?.moved) onPin(step, Math.max(0, Math.round(current.start + (event.clientX - current.from) / minute)), true);
  };
  const text = width > 62 && !all ? words : width > 13 ? String(listed?.number ?? '') : '';
  return (
    <button
      type="button"
      className={classes(
        'timeline-bar dish-pattern',
        dishLook(step.dish),
        all && 'all-hands',
        critical && 'critical',
        pinned && 'pinned',
        begun && 'begun',
        chosen && keyOf(chosen) === keyOf(step) && 'chosen',
      )}
      style={{ left, width, top: row.padding + bar.lane * (lane + 4), height: lane }}
      aria-label={label}
      aria-pressed={chosen !== undefined && keyOf(chosen) === keyOf(step)}
      aria-hidden={first ? undefined : true}
      tabIndex={first ? 0 : -1}
      onClick={() => onChoose(step)}
      onKeyDown={onKey}
      onPointerDown={onDown}
      onPointerMove={onMove}
      onPointerUp={onUp}
      onPointerCancel={() => (drag.current = undefined)}
    >
      {handsWidth > 0 && !all && <span className="hands-part" style={{ width: handsWidth }} />}
      {all && <span className="hands-part whole" />}
      {text !== '' && (
        <span
          className={text === words ? 'bar-words' : 'bar-number'}
          style={text === words && handsWidth > 0 ? { left: handsWidth + 4 } : undefined}
        >
          {text}
        </span>
      )}
    </button>
  );
}

/** The longest chain, as one line through the rows. */
function Chain({
  rows,
  chain,
  plan,
  x,
}: {
  readonly rows: readonly PlacedRow[];
  readonly chain: readonly StepPlace[];
  readonly plan: SessionPlan;
  readonly x: (at: number) => number;
}) {
  const points = chain.flatMap((place) => {
    const step = plan.steps.find((one) => keyOf(one) === keyOf(place));
    if (!step || step.end === step.start) return [];
    // Where it lasts longest: on its unit, else in the hands, else where it stands.
    const row =
      rows.find(({ kind, bars }) => kind !== 'hands' && bars.some((bar) => keyOf(bar.step) === keyOf(step))) ??
      rows.find(({ bars }) => bars.some((bar) => keyOf(bar.step) === keyOf(step)));
    return row ? [{ from: step.start, to: step.end, y: 22 + row.top + row.height - 7 }] : [];
  });
  const [first] = points;
  const last = points.at(-1);
  if (!first || !last) return null;
  const path = points.map(({ from, to, y }, i) => `${i === 0 ? 'M' : 'L'}${x(from)} ${y}L${x(to)} ${y}`).join('');
  return (
    <svg className="chain" aria-hidden>
      <path d={path} />
      <circle cx={x(first.from)} cy={first.y} r={4} />
      <path className="arrow" d={`M${x(last.to) + 1} ${last.y - 5}l6 5-6 5z`} />
    </svg>
  );
}

interface PlacedRow extends TimelineRow {
  readonly top: number;
  readonly height: number;
  readonly padding: number;
}

function placed(rows: readonly TimelineRow[]): PlacedRow[] {
  let top = 0;
  return rows.map((row) => {
    const padding = row.kind === 'unit' && row.bars.some(({ heat }) => heat !== null) ? 24 : GAP / 2;
    const height = padding + row.lanes * (LANE[row.kind] + 4) + 12;
    const one = { ...row, top, height, padding };
    top += height;
    return one;
  });
}

function severalOf(rows: readonly TimelineRow[]): ReadonlySet<string> {
  return new Set(rows.filter(({ kind, number }) => kind === 'unit' && number > 1).map(({ name }) => name));
}

function rowName({ kind, name, number }: TimelineRow, session: Session, several: ReadonlySet<string>): string {
  if (kind === 'stands') return 'Stands';
  if (kind === 'hands') {
    const who = cookName(session, number);
    return who === 'you' ? 'Hands' : who;
  }
  const ring = name === 'hob' ? 'Ring' : `${name.charAt(0).toUpperCase()}${name.slice(1)}`;
  return several.has(name) ? `${ring} ${number}` : ring;
}

function rowNote({ kind, name, bars }: TimelineRow): string {
  if (kind === 'stands') return 'off the heat';
  if (kind === 'hands') return 'hands';
  if (name === 'hob') return 'of the hob';
  return new Set(bars.flatMap(({ heat }) => heat ?? [])).size > 1 ? 'more than one heat' : '';
}

/** Where a unit's heat begins or changes. */
function heats({ bars }: TimelineRow): { readonly from: number; readonly at: number }[] {
  let before: number | null = null;
  return [...bars]
    .sort((a, b) => a.from - b.from)
    .flatMap(({ from, heat }) => {
      if (heat === null || heat === before) return [];
      before = heat;
      return [{ from, at: heat }];
    });
}

/** Ticks that fit: every quarter, half or whole hour. */
function ticks(minutes: number, minute: number): { readonly at: number; readonly named: boolean }[] {
  const step = minute * 15 > 14 ? 15 : minute * 30 > 14 ? 30 : 60;
  const named = [15, 30, 60, 120, 240].find((every) => every * minute > 58) ?? 480;
  const found: { at: number; named: boolean }[] = [];
  // The end has a name of its own.
  for (let at = 0; at < minutes; at += step) found.push({ at, named: at % named === 0 && (minutes - at) * minute > 46 });
  return found;
}

/** Pixels across that fit a sheet of A4 held upright. */
const PAPER = 700;

function useWidth(box: { readonly current: HTMLElement | null }): number {
  const [width, setWidth] = useState(900);
  const printing = usePrinting();
  useEffect(() => {
    const { current } = box;
    if (!current) return;
    const watch = new ResizeObserver(([entry]) => entry && setWidth(entry.contentRect.width));
    watch.observe(current);
    return () => watch.disconnect();
  }, [box]);
  return printing ? PAPER : width;
}
