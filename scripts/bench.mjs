// Measures and prints; judges nothing.
import { spawnSync } from 'node:child_process';
import { startDatabase, startServer } from './throwaway.mjs';

import { faults } from '../server/bench/faults.mjs';

const USUAL_KILLS = 40;
const root = new URL('..', import.meta.url).pathname;
/** The database of the server that is measured, for signing in at it. */
let owner = '';
const run = (script, ...args) =>
  spawnSync(process.execPath, [script, ...args], {
    cwd: root,
    stdio: 'inherit',
    timeout: 900_000,
    env: { ...process.env, DATABASE_URL: owner },
  });

if (process.argv[2] === 'faults') process.exit((await faults(Number(process.argv[3] ?? USUAL_KILLS))) ? 0 : 1);

// Many kitchens at once: prints what one server and three make of so many requests a second.
if (process.argv[2] === 'load') {
  const { status } = spawnSync(process.execPath, ['server/bench/load.mjs', ...process.argv.slice(3)], { cwd: root, stdio: 'inherit' });
  process.exit(status ?? 1);
}

// A server at everyday work for an hour: prints the memory it takes.
if (process.argv[2] === 'soak') {
  const { status } = spawnSync(process.execPath, ['server/bench/soak.mjs', ...process.argv.slice(3)], { cwd: root, stdio: 'inherit' });
  process.exit(status ?? 1);
}

// The stove: every weight typed has to be there after the server, the browser and the network were killed so many times each.
if (process.argv[2] === 'cook') {
  const { status } = spawnSync(process.execPath, ['e2e/bench/cookKills.mjs', process.argv[3] ?? '50'], { cwd: root, stdio: 'inherit' });
  process.exit(status ?? 1);
}

console.log('the engine');
run('core/bench/engine.mjs');
console.log('\nwhat the page asks of core at every key press');
run('core/bench/recompute.mjs');
console.log('\nfoods that lines mean');
run('core/bench/foodsMeant.mjs');
console.log('\nlabels read');
run('core/bench/labelsMeant.mjs');
console.log('\npages and receipts read');
run('core/bench/pagesMeant.mjs');
run('core/bench/receiptsMeant.mjs');
console.log('\nfaults planted for Check');
run('core/bench/checksMeant.mjs');
console.log('\nsessions planned, and shopped for');
run('core/bench/plan.mjs');

console.log('\nweeks of boxes, proposed');
run('core/bench/week.mjs');
console.log('\nmake it fit');
run('core/bench/fit.mjs');
console.log('\nreaders of text, over nasty shapes of a megabyte');
run('core/bench/nasty.mjs');
console.log('\nslips in labels, over the starter pantry');
run('core/bench/labelSlips.mjs');
console.log('\nthe running product, in Chromium');
const database = startDatabase();
const server = await startServer(database.url, { demo: true });
owner = database.url;
try {
  run('e2e/bench/keyPress.mjs', server.address);
  console.log('\nfinding foods');
  run('server/bench/findFoods.mjs', server.address);
  console.log('\ncards drawn, and bound');
  run('server/bench/cards.mjs', server.address);
  console.log('\nlists of recipes');
  run('server/bench/recipeLists.mjs', server.address);
} finally {
  await server.stop();
  database.stop();
}
