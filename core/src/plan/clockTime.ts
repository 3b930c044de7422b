import { USUAL_START, type Session } from './session.js';

const DAY = 24 * 60;

/**
 * The time of day of a minute of a session; after midnight with the days that have passed.
 *
 * @example clockTime({ start: '23:30' }, 45) // '00:15 (+1)'
 */
export function clockTime({ start = USUAL_START }: Pick<Session, 'start'>, minute: number): string {
  const [hours = 0, minutes = 0] = start.split(':').map(Number);
  const at = hours * 60 + minutes + minute;
  const days = Math.floor(at / DAY);
  const rest = at - days * DAY;
  const text = `${String(Math.floor(rest / 60)).padStart(2, '0')}:${String(rest % 60).padStart(2, '0')}`;
  return days === 0 ? text : `${text} (${days > 0 ? '+' : ''}${days})`;
}
