import { useEffect, useState } from 'react';
import { USUAL_START, type Session } from '@portiona/core';
import { dayOf } from '../../ui/timeText';

/** How often it is looked at the clock. */
const EVERY_MS = 15_000;
const DAY = 24 * 60;

/** The minute of a session that it is now; undefined on days that are not its own, from an hour before it to a day after its start. */
export function minuteNow({ date, start = USUAL_START }: Pick<Session, 'date' | 'start'>, clock: Date): number | undefined {
  const [hours = 0, minutes = 0] = start.split(':').map(Number);
  const days = Math.round((Date.parse(`${dayOf(clock)}T00:00:00Z`) - Date.parse(`${date}T00:00:00Z`)) / 86_400_000);
  const minute = days * DAY + clock.getHours() * 60 + clock.getMinutes() - hours * 60 - minutes;
  return minute < -60 || minute > DAY ? undefined : minute;
}

/** The minute of a session that it is now, kept up with the clock. */
export function useNow(session: Pick<Session, 'date' | 'start'> | undefined): number | undefined {
  const [clock, setClock] = useState(() => new Date());
  useEffect(() => {
    const timer = setInterval(() => setClock(new Date()), EVERY_MS);
    return () => clearInterval(timer);
  }, []);
  return session && minuteNow(session, clock);
}
