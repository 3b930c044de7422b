// Backups that are put back while people go on working: elsewhere each is one state that holds all that was answered before it was begun;
// where somebody works nothing is put back; and one that is killed midway leaves a place that says so, or an empty one.
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startDatabase } from '../../scripts/throwaway.mjs';
import { asked, backups, enter, everyday, judged } from './everyday.mjs';
import { ownServer } from './ownServer.mjs';
import { milliseconds, pause } from './watch.mjs';

const TABLES = `SELECT count(*)::int AS count FROM information_schema.tables WHERE table_schema IN ('public', 'jobs')`;

/** @param {number} kills how many restores are killed midway @returns what was wrong */
export async function restoreBeside(kills) {
  const database = startDatabase({ durable: true });
  const server = await ownServer(database.url);
  const folder = mkdtempSync(join(tmpdir(), 'portiona-restored-'));
  const file = join(folder, 'one.tar');
  const wrong = [];
  const fault = (kind, what) => wrong.push({ kind, what });
  const homes = Array.from({ length: kills + 1 }, () => mkdtempSync(join(tmpdir(), 'portiona-home-')));
  const other = startDatabase({ durable: true });
  try {
    const people = await everyday({ ...server, url: database.url, own: ['account', 'batch', 'publishing', 'photo', 'job'] });
    await pause(6_000);
    const before = people.answered();
    // Who I am called goes on changing: any name that was said from then on may be in it.
    before.names = [];
    await backups(['make', file], database.url, server.home);
    await pause(2_000);

    // Into the place that is at work.
    const refused = await backups(['restore', file], database.url, server.home).then(
      () => 'it was put back',
      ({ stderr }) => stderr,
    );
    if (!/holds something already/.test(refused)) fault('wrong', `into a place at work: ${refused}`);

    // Killed midway, again and again, into one database.
    let [whole, empty, refusedAfter] = [0, 0, 0];
    const ended = [];
    for (let i = 0; i < kills; i++) {
      const restoring = backups(['restore', file], other.url, homes[i]);
      const killing = setTimeout(() => restoring.child.kill('SIGKILL'), Math.random() * 9_000);
      const done = await restoring.then(
        () => true,
        () => false,
      );
      clearTimeout(killing);
      // What a killed one had under way in the database comes to its end, or is taken back.
      for (let n = 0; n < 200; n++) {
        const [{ count }] = await asked(
          other.url,
          `SELECT count(*)::int AS count FROM pg_stat_activity WHERE application_name = 'pg_restore'`,
        );
        if (count === 0) break;
        await pause(50);
      }
      const [{ count }] = await asked(other.url, TABLES);
      if (count === 0) {
        empty++;
        if (done) fault('wrong', 'it said that it was done, and nothing is there');
        if (readdirSync(homes[i]).some((name) => !name.startsWith('.'))) ended.push(i);
        continue;
      }
      whole++;
      // What is there is all of it: who tries again is told that something is.
      const again = await backups(['restore', file], other.url, homes[kills]).then(
        () => '',
        ({ stderr }) => stderr,
      );
      if (/holds something already/.test(again)) refusedAfter++;
      else fault('wrong', `a second time: ${again}`);
      const [{ recipes }] = await asked(other.url, 'SELECT count(*)::int AS recipes FROM recipes');
      if (recipes === 0) fault('lost', 'a restore that was killed left half of it');
      await asked(other.url, 'DROP SCHEMA public CASCADE');
      await asked(other.url, 'CREATE SCHEMA public');
      await asked(other.url, 'DROP SCHEMA IF EXISTS jobs CASCADE');
    }
    for (const i of ended) fault('wrong', `restore ${i} was killed before the database had anything, and files are there`);
    console.log(`  ${kills} restores killed: ${empty} left nothing, ${whole} all of it (told so ${refusedAfter} times to who tried again)`);

    // Elsewhere, whole, while people go on.
    const began = performance.now();
    await backups(['restore', file], other.url, homes[kills]);
    console.log(`  restored beside work in ${milliseconds(performance.now() - began)}`);
    const second = await ownServer(other.url);
    try {
      const me = await enter(second.address, other.url);
      wrong.push(...(await judged({ me, url: other.url }, before)));
    } finally {
      await second.forget();
    }
    await people.end();
    wrong.push(...(await people.judge()));
    console.log(`  ${JSON.stringify(people.statuses)}`);
    return wrong;
  } finally {
    await server.forget();
    database.stop();
    other.stop();
    for (const one of [folder, ...homes]) rmSync(one, { recursive: true, force: true });
  }
}
