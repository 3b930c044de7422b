import type { BackupDto } from '../../api/api.gen';
import { sizeText } from '../../ui/sizeText';
import { classes } from '../../ui/classes';
import { dayAndTime } from '../account/dayAndTime';
import { ageText } from './ageText';

const DAY = 86_400_000;
/** Days that are shown, today the last. */
const SHOWN = 14;

interface BackupsProps {
  readonly backups: readonly BackupDto[];
  /** Milliseconds. */
  readonly now: number;
}

/** The last two weeks day by day: backed up, tried in vain, or not at all; and each backup. */
export function Backups({ backups, now }: BackupsProps) {
  const days = Array.from({ length: SHOWN }, (_, i) => dayOf(now - (SHOWN - 1 - i) * DAY));
  const last = backups.find(({ trouble }) => trouble === null);
  return (
    <section className="upkeep-part" aria-labelledby="upkeep-backups">
      <h2 id="upkeep-backups">Backed up</h2>
      <p className="muted">{last ? `Last ${ago(ageText(last.madeAt, now))}, read back whole: ${last.name}` : 'Never yet.'}</p>
      <ol className="upkeep-days" aria-label={`The last ${SHOWN} days`}>
        {days.map((day) => {
          const own = backups.filter(({ madeAt }) => dayOf(Date.parse(madeAt)) === day);
          const state = own.some(({ trouble }) => trouble === null) ? 'made' : own.length > 0 ? 'failed' : 'none';
          return (
            <li key={day} className={classes(state)} title={`${day}: ${STATES[state]}`}>
              <span className="sr">
                {day}: {STATES[state]}
              </span>
              <span aria-hidden>{Number(day.slice(8))}</span>
            </li>
          );
        })}
      </ol>
      {backups.length > 0 && (
        <details className="upkeep-slow">
          <summary>Each of them</summary>
          <ol>
            {backups.map(({ madeAt, name, bytes, took, trouble }) => (
              <li key={`${name} ${madeAt}`}>
                <span>{dayAndTime(madeAt)}</span>
                <code>
                  {name}
                  {trouble === null
                    ? `, ${sizeText(bytes ?? 0)}${took === null ? '' : `, in ${(took / 1000).toFixed(1)} s`}`
                    : `: failed. ${trouble}`}
                </code>
              </li>
            ))}
          </ol>
        </details>
      )}
    </section>
  );
}

const STATES = { made: 'backed up', failed: 'tried in vain', none: 'no backup' } as const;

function ago(age: string): string {
  return age === 'just now' ? age : `${age} ago`;
}

/** The day of a moment, where the browser stands. */
function dayOf(moment: number): string {
  const date = new Date(moment);
  return `${date.getFullYear()}-${String(date.getMonth() + 1).padStart(2, '0')}-${String(date.getDate()).padStart(2, '0')}`;
}
