import { useState } from 'react';
import { IfMay } from '../account/IfMay';
import { Link, useNavigate } from 'react-router';
import { clockTime, type Session } from '@portiona/core';
import { useCreateSessionMutation, useListSessionsQuery, type ListedSessionDto } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { underFreeId } from '../../api/underFreeId';
import { Button } from '../../ui/Button';
import { dayOf } from '../../ui/timeText';
import { useToast } from '../../ui/Toasts';
import { UnreadPage } from '../../ui/UnreadPage';
import { DishSwatch } from './DishSwatch';
import { PlanHead } from './PlanHead';
import { dayTitle } from './planWords';
import './plan.css';
import { kitchenAddress } from '../../api/kitchenAtHand';

/** Weeks that are in sight at once. */
const WEEKS = 5;
const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

/** Sessions on a calendar: what is cooked when, and a new one on any day. */
export function PlanPage() {
  const { data: sessions, error, refetch } = useListSessionsQuery(undefined, { refetchOnMountOrArgChange: true });
  const [today] = useState(() => dayOf(new Date()));
  const [from, setFrom] = useState<string>();
  const [create, { isLoading }] = useCreateSessionMutation();
  const go = useNavigate();
  const say = useToast();
  if (error) return <UnreadPage why={problemText(problemOf(error))} onRetry={() => void refetch()} />;
  if (!sessions) return <main className="page" aria-busy="true" />;
  const start = from ?? addDays(mondayOf(today), -7);
  const add = (date: string) => {
    if (isLoading) return;
    const make = (id: string) => create({ newSessionDto: { document: { id, date, dishes: [] } satisfies Session } }).unwrap();
    void underFreeId(
      `session ${date}`,
      sessions.map(({ id }) => id),
      make,
    )
      .then(({ id }) => go(`/plan/${id}`))
      .catch((failed: unknown) => say(`The session was not made: ${problemText(problemOf(failed))}`));
  };
  const next = sessions.find(({ document }) => document.date >= today) ?? sessions.at(-1);
  return (
    <main className="plan-page">
      <PlanHead
        over={sessions.length === 0 ? 'nothing planned yet' : `${sessions.length === 1 ? 'one session' : `${sessions.length} sessions`}`}
        title="Plan"
        session={next?.id}
      />
      <section className="bench" aria-label="Calendar">
        <div className="plan-sum">
          <h2>
            {monthText(start)} to {monthText(addDays(start, WEEKS * 7 - 1))}
          </h2>
          <span className="plan-controls">
            <Button onClick={() => setFrom(addDays(start, -7))} aria-label="A week back">
              ‹
            </Button>
            <Button onClick={() => setFrom(undefined)}>Today</Button>
            <Button onClick={() => setFrom(addDays(start, 7))} aria-label="A week on">
              ›
            </Button>
            <Button asChild>
              <a href={kitchenAddress('/exports/sessions.ics')} download>
                Calendar file
              </a>
            </Button>
            <IfMay right="cook">
              <Button kind="main" onClick={() => add(today)} disabled={isLoading}>
                Plan a session
              </Button>
            </IfMay>
          </span>
        </div>
        <div className="calendar" role="grid" aria-label="Sessions by day">
          <div role="row" className="calendar-week names">
            {DAYS.map((day) => (
              <span role="columnheader" key={day}>
                {day}
              </span>
            ))}
          </div>
          {Array.from({ length: WEEKS }, (_, week) => (
            <div role="row" className="calendar-week" key={week}>
              {DAYS.map((_, day) => {
                const date = addDays(start, week * 7 + day);
                return (
                  <Day
                    key={date}
                    date={date}
                    today={today}
                    sessions={sessions.filter(({ document }) => document.date === date)}
                    onAdd={() => add(date)}
                  />
                );
              })}
            </div>
          ))}
        </div>
        {sessions.length > 0 && (
          <ul className="session-list" aria-label="All sessions">
            {sessions.map((session) => (
              <li key={session.id}>
                <Link className="dish" to={`/plan/${session.id}`}>
                  {session.document.name ?? 'Session'}, {dayTitle(session.document.date)}
                </Link>
                <span className="muted">
                  {clockTime(session.document, 0)}, {session.titles.length === 0 ? 'no dishes yet' : session.titles.join(', ')}
                </span>
              </li>
            ))}
          </ul>
        )}
      </section>
    </main>
  );
}

function Day({
  date,
  today,
  sessions,
  onAdd,
}: {
  readonly date: string;
  readonly today: string;
  readonly sessions: readonly ListedSessionDto[];
  readonly onAdd: () => void;
}) {
  const day = Number(date.slice(8));
  return (
    <div
      role="gridcell"
      className={`calendar-day ${date === today ? 'today' : ''} ${date < today ? 'gone' : ''}`}
      aria-label={dayTitle(date)}
    >
      <span className="calendar-date">
        {day === 1 ? monthText(date) : day}
        {date === today && <small> today</small>}
      </span>
      {sessions.map(({ id, document, titles }) => (
        <Link key={id} to={`/plan/${id}`} className="calendar-session">
          <b>
            {clockTime(document, 0)} {document.name ?? 'Session'}
          </b>
          {titles.map((title, i) => (
            <span key={`${title}-${i}`}>
              <DishSwatch dish={i + 1} small /> {title}
            </span>
          ))}
        </Link>
      ))}
      <IfMay right="cook">
        <button type="button" className="calendar-add" onClick={onAdd} aria-label={`Plan a session on ${dayTitle(date)}`}>
          +
        </button>
      </IfMay>
    </div>
  );
}

function addDays(date: string, days: number): string {
  return new Date(Date.parse(`${date}T12:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);
}

function mondayOf(date: string): string {
  return addDays(date, -((new Date(`${date}T12:00:00Z`).getUTCDay() + 6) % 7));
}

function monthText(date: string): string {
  return new Date(`${date}T12:00:00Z`).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' });
}
