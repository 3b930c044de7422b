// Kills in the middle of everything that people do besides saving dishes: of the server, of the database, and of connections between them.
import { readFileSync } from 'node:fs';
import { startDatabase } from '../../scripts/throwaway.mjs';
import { asked, everyday } from './everyday.mjs';
import { ownServer, unplainIn } from './ownServer.mjs';
import { milliseconds, pause } from './watch.mjs';

/** @param {number} kills @returns what was wrong afterwards; the database is the kind that people have, not one that gives up safety for speed */
export async function wideKills(kills) {
  const database = startDatabase({ durable: true });
  const server = await ownServer(database.url);
  try {
    const people = await everyday({ ...server, url: database.url });
    const counts = { server: 0, database: 0, connections: 0 };
    let longest = 0;
    for (let i = 0; i < kills; i++) {
      await pause(Math.random() * 1000);
      if (!server.runs()) {
        people.fault('wrong', `the server ended by itself after ${i} kills`);
        console.log(readFileSync(server.log, 'utf8').slice(-1500));
        await server.start();
      }
      if (i % 6 === 5) {
        counts.server++;
        await server.end();
        await server.start();
      } else if (i % 10 === 3) {
        counts.database++;
        await database.kill();
        await pause(Math.random() * 600);
        database.again();
        longest = Math.max(longest, await untilIt(server));
      } else {
        counts.connections++;
        await asked(
          database.url,
          `SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE usename LIKE 'portiona_app%' AND random() < 0.7`,
        ).catch(() => undefined);
      }
      if ((i + 1) % 50 === 0) console.log(`  ${i + 1} kills, ${people.count()} answers, ${people.found.length} faults`);
    }
    await people.end();
    const wrong = await people.judge();
    const { edits, issues, photos, runs, backups } = people.answered();
    console.log(
      JSON.stringify({
        ...counts,
        edits: edits.length,
        issues: issues.length,
        photos: photos.length,
        runs: runs.length,
        backups,
        statuses: people.statuses,
      }),
    );
    console.log(`  after the database was started again, the server answered within ${milliseconds(longest)}`);
    if (wrong.some(({ kind }) => kind === 'unplain')) console.log(unplainIn(server.log));
    return wrong;
  } finally {
    await server.forget();
    database.stop();
  }
}

/** Milliseconds until a server reaches its database again. */
async function untilIt({ address }) {
  const began = performance.now();
  for (let i = 0; i < 600; i++) {
    const ready = await fetch(`${address}/api/health/ready`).then(
      ({ ok }) => ok,
      () => false,
    );
    if (ready) break;
    await pause(50);
  }
  return performance.now() - began;
}
