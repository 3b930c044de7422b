// A clock that jumps, of the database and the server both, while people work: an hour, a day, three days back, and forty forward.
import { existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync, chmodSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startDatabase } from '../../scripts/throwaway.mjs';
import { askAs, asked, enter, everyday, judged } from './everyday.mjs';
import { ownServer, unplainIn } from './ownServer.mjs';
import { pause } from './watch.mjs';

/** A program that has others see another time; Debian's package libfaketime. */
const OTHER_TIME = readdirSync('/usr/lib').flatMap((folder) => {
  const file = `/usr/lib/${folder}/faketime/libfaketimeMT.so.1`;
  return existsSync(file) ? [file] : [];
})[0];
const HOUR = 3600;
const DAY = 24 * HOUR;
/** Seconds that the clock is off by, one after the other: as long as a sign-in lasts, and then longer. */
const JUMPS = [0, HOUR, -HOUR, 26 * HOUR, -3 * DAY, 0, 6 * DAY, -DAY, 0];
const LONG = 400 * DAY;
const WORK = 5_000;

/** @returns what was wrong afterwards; undefined where nothing can be made to see another time */
export async function clockJumps() {
  if (!OTHER_TIME) return undefined;
  const folder = mkdtempSync(join(tmpdir(), 'portiona-clock-'));
  const clock = join(folder, 'clock');
  const set = (seconds) => writeFileSync(clock, `${seconds < 0 ? '' : '+'}${seconds}\n`);
  set(0);
  chmodSync(folder, 0o755);
  const env = { LD_PRELOAD: OTHER_TIME, FAKETIME_TIMESTAMP_FILE: clock, FAKETIME_NO_CACHE: '1', FAKETIME_DONT_FAKE_MONOTONIC: '1' };
  // The database takes this process's environment over; what is measured here goes on by its own clock.
  Object.assign(process.env, env);
  const database = startDatabase({ durable: true });
  for (const name of Object.keys(env)) delete process.env[name];
  const server = await ownServer(database.url, env);
  try {
    const people = await everyday({ ...server, url: database.url, own: ['account', 'batch', 'publishing', 'photo', 'job'] });
    for (const jump of JUMPS) {
      set(jump);
      const before = people.answered();
      const moved = () => {
        const after = people.answered();
        return Object.keys(after).filter((kind) => JSON.stringify(after[kind]) !== JSON.stringify(before[kind]));
      };
      await pause(WORK);
      for (let i = 0; i < 300 && moved().length < 4; i++) await pause(100);
      const [{ off }] = await asked(database.url, 'SELECT extract(epoch FROM clock_timestamp())::double precision - $1 AS off', [
        Date.now() / 1000,
      ]);
      if (Math.abs(off - jump) > 60)
        people.fault('wrong', `the database's clock is off by ${off} s, and not ${jump}: this measures nothing`);
      const done = moved();
      if (done.length < 4) people.fault('wrong', `with the clock off by ${jump} s only this went on: ${done}`);
      console.log(`  ${jump / HOUR} h: ${done.join(', ')} went on`);
      if (!server.runs()) {
        people.fault('wrong', `the server ended by itself with the clock off by ${jump} s`);
        await server.start();
      }
    }
    await people.end();
    // An invitation lasts a week, and a photo that no dish has is let go after a day: of these, time was said to be over.
    const lasting = { ...people.answered(), invitations: [], photos: [] };
    const wrong = [...people.found, ...(await judged({ me: people.me, url: database.url }, lasting))];
    // Longer than anybody stays signed in: it is told, and whoever signs in again finds everything.
    set(LONG);
    const told = await askAs(people.me, '/api/recipes');
    if (told?.status !== 401) wrong.push({ kind: 'unplain', what: `after ${LONG / DAY} days: ${told?.status}` });
    const me = await enter(server.address, database.url);
    wrong.push(...(await judged({ me, url: database.url }, lasting)));
    set(0);
    wrong.push(...(await judged({ me, url: database.url }, lasting)));
    console.log(`  ${JSON.stringify(people.statuses)}`);
    if (wrong.some(({ kind }) => kind === 'unplain')) console.log(unplainIn(server.log));
    return wrong;
  } finally {
    await server.forget();
    database.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
