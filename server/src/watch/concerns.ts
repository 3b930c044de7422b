import type { ConcernDto, StatusDto } from './status.dto.js';

/** From when on something needs somebody: hours without a backup, the share of a disk, milliseconds, jobs that wait. */
const BACKUP_HOURS = 30;
const LITTLE_ROOM = 0.1;
const HARDLY_ROOM = 0.03;
const SLOW_P95 = 500;
const LONG_DELAY = 250;
const MANY_WAIT = 25;
/** Requests from which on it says something how quick they were. */
const TELLING = 100;

const HOUR = 3_600_000;

/** What needs somebody, worst first, each with what to do about it. @param now milliseconds */
export function concernsOf(status: Omit<StatusDto, 'concerns'>, now: number): ConcernDto[] {
  const found = [...ofBackups(status, now), ...ofServers(status), ...ofJobs(status), ...ofRoom(status)];
  return found.sort((a, b) => Number(b.bad) - Number(a.bad));
}

function ofBackups({ backups, backsUp }: Omit<StatusDto, 'concerns'>, now: number): ConcernDto[] {
  const last = backups[0];
  const good = backups.find(({ trouble }) => trouble === null);
  const concerns: ConcernDto[] = [];
  if (last?.trouble)
    concerns.push({ bad: true, words: `The last backup failed: ${last.trouble}`, mend: 'Mend that, then make one: ./portiona backup' });
  const age = good ? (now - Date.parse(good.madeAt)) / HOUR : undefined;
  if (age === undefined && backsUp)
    concerns.push({
      bad: false,
      words: 'No backup has been made yet.',
      mend: 'The first is made by itself within minutes of a start; or make one now: ./portiona backup',
    });
  else if (age !== undefined && age > BACKUP_HOURS)
    concerns.push({
      bad: age > 7 * 24,
      words: `The last backup that is whole is ${age < 48 ? `${Math.round(age)} hours` : `${Math.round(age / 24)} days`} old.`,
      mend: 'Make one: ./portiona backup',
    });
  if (!backsUp)
    concerns.push({
      bad: false,
      words: `No backup is made by itself here${age === undefined ? ', and none has been made' : ''}.`,
      mend: 'See to it elsewhere, or start with PORTIONA_BACKUPS set to a folder',
    });
  return concerns;
}

function ofServers({ servers }: Omit<StatusDto, 'concerns'>): ConcernDto[] {
  const alive = servers.filter((server) => server.alive);
  const concerns: ConcernDto[] = servers
    .filter((server) => !server.alive)
    .map(({ host, role, seenAt }) => ({
      bad: false,
      words: `The ${role === 'work' ? 'worker' : 'server'} on ${host} gave no sign since ${seenAt.slice(0, 16).replace('T', ' ')} UTC.`,
      mend: 'If it was not ended on purpose, look at its log and start it again; it is forgotten here after a day',
    }));
  const versions = new Set(alive.map(({ version }) => version));
  if (versions.size > 1)
    concerns.push({
      bad: false,
      words: `Servers of ${versions.size} versions run: ${[...versions].join(', ')}.`,
      mend: 'Bring all to one: each computes lists anew that the other has computed',
    });
  for (const { host, lately, delay } of alive) {
    if (lately && lately.requests >= TELLING && lately.failed / lately.requests > 0.01)
      concerns.push({
        bad: true,
        words: `${host} failed at ${lately.failed} of ${lately.requests} requests lately.`,
        mend: 'Its log says why',
      });
    if (lately && lately.refused > 0 && lately.refused / lately.requests > 0.01)
      concerns.push({
        bad: lately.refused / lately.requests > 0.1,
        words: `${host} told ${lately.refused} of ${lately.requests} requests lately to come again: there was too much to do, or they came too often.`,
        mend: 'Its log says which; add a server, a faster database, or see who asks so much',
      });
    if (lately && lately.requests >= TELLING && lately.p95 > SLOW_P95)
      concerns.push({
        bad: false,
        words: `${host} is slow: five requests in a hundred take over ${Math.round(lately.p95)} ms.`,
        mend: 'Look at the slow statements below, or add a server',
      });
    if (delay > LONG_DELAY)
      concerns.push({
        bad: false,
        words: `${host} is busy: whoever asks waits ${delay} ms for its attention.`,
        mend: 'Add a server, or a faster machine',
      });
  }
  return concerns;
}

function ofJobs({ jobs, servers }: Omit<StatusDto, 'concerns'>): ConcernDto[] {
  const waiting = jobs.reduce((sum, queue) => sum + queue.waiting, 0);
  if (waiting > 0 && !servers.some(({ alive, role }) => alive && role !== 'serve'))
    return [{ bad: true, words: `${waiting} jobs wait, and no server does jobs.`, mend: 'Start one: ./portiona worker' }];
  if (waiting > MANY_WAIT) return [{ bad: false, words: `${waiting} jobs wait.`, mend: 'Start another worker: ./portiona worker' }];
  return [];
}

function ofRoom({ room }: Omit<StatusDto, 'concerns'>): ConcernDto[] {
  if (!room || room.whole === 0 || room.free / room.whole > LITTLE_ROOM) return [];
  return [
    {
      bad: room.free / room.whole < HARDLY_ROOM,
      words: `The disk of the data folder is ${Math.round((1 - room.free / room.whole) * 100)} % full.`,
      mend: 'Make room, or move the data folder (PORTIONA_HOME) to a larger one; backups are the first to look at',
    },
  ];
}
