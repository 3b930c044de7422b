// What happens when it is flooded, fooled, starved and killed. Nothing may be lost, half-written, hung or broken: it judges.
import { readFileSync } from 'node:fs';
import { startDatabase, startServer } from '../../scripts/throwaway.mjs';
import { asOwner } from '../../scripts/asOwner.mjs';
import { floods } from './floods.mjs';
import { fullDisk } from './fullDisk.mjs';
import { heavyThings } from './heavy.mjs';
import { hostility } from './hostility.mjs';
import { KINDS, killSweep } from './kills.mjs';
import { clockJumps } from './clockJumps.mjs';
import { failover } from './failover.mjs';
import { restoreBeside } from './restoreBeside.mjs';
import { wideKills } from './wideKills.mjs';
import { megabytes, milliseconds } from './watch.mjs';

const api = JSON.parse(readFileSync(new URL('../../openapi.json', import.meta.url), 'utf8'));
const wrong = [];
const expect = (holds, what) => holds || wrong.push(what);
/** How often each is tried. */
const FAILOVERS = 4;
const RESTORES = 20;

/** What was wrong after a part of it. */
const told = (of, faults) => wrong.push(...faults.map(({ kind, what }) => `${of}: ${kind}: ${what}`));

/** A part of it, on a server of its own. */
async function part(title, work) {
  console.log(`\n== ${title}`);
  const database = startDatabase();
  const server = await startServer(database.url, { demo: true });
  try {
    await asOwner(server.address, database.url);
    await work(server);
  } finally {
    await server.stop();
    database.stop();
  }
}

/** @param {number} kills how many kills */
export async function faults(kills) {
  await part('floods: 200 at once of every writing route', async (server) => {
    const { longest, broken } = await floods(server);
    expect(broken === 0, `${broken} requests of floods broke or never ended`);
    expect(longest < 1000, `health waited ${milliseconds(longest)} in a flood`);
  });
  await part('heavy things', async (server) => {
    const longest = await heavyThings(server);
    expect(longest < 100, `health waited ${milliseconds(longest)} beside something heavy`);
  });
  await part('hostile requests', async (server) => {
    const { broken, longest, grown } = await hostility(server, api);
    expect(broken === 0, `${broken} hostile requests broke something`);
    expect(longest < 1000, `health waited ${milliseconds(longest)} beside hostile requests`);
    expect(grown < 50 * 1024 * 1024, `${megabytes(grown)} more memory after hostile requests`);
  });
  console.log('\n== a full disk');
  const disk = await fullDisk();
  if (disk) expect(disk.lost + disk.ended + disk.again === 0, 'a full disk cost more than the saves it could not take');
  else console.log('not tried: a small disk can be had by root only');
  console.log(`\n== ${kills} kills of server, database, its connections, and the command`);
  const counts = await killSweep(kills);
  console.log(JSON.stringify(counts));
  expect(counts.lost + counts.half + counts.unstarted + counts.left === 0, 'kills lost something, or left something running');
  for (const kind of KINDS) expect(kills < KINDS.length || counts[kind] > 0, `nothing of the kind “${kind}” was killed`);
  console.log(`\n== ${kills * 10} more, beside accounts, batches, publishing, photos, jobs and backups`);
  told('kills beside everyday work', await wideKills(kills * 10));
  console.log('\n== databases that are killed for good, and others promoted in their place');
  told('a failover', await failover(FAILOVERS));
  console.log('\n== a clock that jumps, both ways');
  const jumps = await clockJumps();
  if (jumps) told('a clock that jumps', jumps);
  else console.log("not tried: Debian's package libfaketime is not there");
  console.log('\n== backups put back beside work, and killed midway');
  told('a restore', await restoreBeside(RESTORES));
  console.log(
    wrong.length === 0 ? '\nnothing lost, nothing hung, nothing broken' : `\nwrong:\n${wrong.map((one) => `  ${one}`).join('\n')}`,
  );
  return wrong.length === 0;
}
