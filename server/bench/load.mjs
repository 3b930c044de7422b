// Many kitchens at once: what one server and three do with so many requests a second, and how long those who ask wait.
// node server/bench/load.mjs [KITCHENS [RECIPES [FOODS [SECONDS [RATE,RATE … [SERVERS,SERVERS …]]]]]]
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Agent, request } from 'node:http';
import { freePort, startDatabase, startServer } from '../../scripts/throwaway.mjs';
import { crowdOf, kitchenOf } from './crowd.mjs';

const MAIN = new URL('../dist/main.js', import.meta.url).pathname;
const [kitchens = 200, recipes = 500, foods = 3_000, seconds = 60] = process.argv.slice(2, 6).map(Number);
/** Requests a second of each server. */
const RATES = (process.argv[6] ?? '20,50,100').split(',').map(Number);
/** How many servers, one after the other. */
const COUNTS = (process.argv[7] ?? '1,3').split(',').map(Number);
const later = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** Servers on a database, and a worker where there are several. */
async function start(url, count) {
  const members = [];
  for (let i = 0; i < count + (count > 1 ? 1 : 0); i++) {
    const [port, watch] = [await freePort(), await freePort()];
    const home = mkdtempSync(join(tmpdir(), 'portiona-test-home-'));
    const role = count === 1 ? 'both' : i < count ? 'serve' : 'work';
    const child = spawn(process.execPath, [MAIN], {
      env: {
        ...process.env,
        MALLOC_ARENA_MAX: '2',
        LOG_LEVEL: 'silent',
        DATABASE_URL: url,
        PORTIONA_HOME: home,
        PORTIONA_PORT: String(port),
        PORTIONA_WATCH_LISTEN: String(watch),
        PORTIONA_ROLE: role,
        // All who ask come from one address here.
        PORTIONA_PACE: '0',
      },
      stdio: ['ignore', 'inherit', 'inherit'],
    });
    for (let n = 0; n < 900; n++) {
      if (
        await fetch(`http://127.0.0.1:${watch}/ready`).then(
          ({ ok }) => ok,
          () => false,
        )
      )
        break;
      await later(100);
    }
    members.push({ port, child, home, role });
  }
  return {
    ports: members.filter(({ role }) => role !== 'work').map(({ port }) => port),
    memory: () =>
      members.map(({ child }) => Math.round(Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${child.pid}/status`, 'utf8'))[1]) / 1024)),
    stop: async () => {
      for (const { child, home } of members) {
        child.kill('SIGTERM');
        await once(child, 'exit');
        rmSync(home, { recursive: true, force: true });
      }
    },
  };
}

const agent = new Agent({ keepAlive: true, maxSockets: 256 });
/** One request: its status, and its answer. */
function ask(port, path, { method = 'GET', headers = {}, body } = {}) {
  return new Promise((resolve) => {
    const asked = request({ host: '127.0.0.1', port, path, method, headers, agent }, (answer) => {
      const pieces = [];
      answer.on('data', (piece) => pieces.push(piece));
      answer.on('end', () => resolve({ status: answer.statusCode, headers: answer.headers, text: () => Buffer.concat(pieces).toString() }));
      answer.on('error', () => resolve({ status: 0 }));
    });
    asked.on('error', () => resolve({ status: 0 }));
    asked.end(body);
  });
}

const pick = (list) => list[Math.floor(Math.random() * list.length)];
const headersOf = ({ secret, page }, ports) => ({
  Cookie: ports.map((port) => `portiona-${port}=${secret}`).join('; '),
  'X-Portiona-Page': page,
  'Content-Type': 'application/json',
});

const page = (at, who, ports) =>
  ask(at, `/api/kitchens/${who.key}/recipe-pages?order=series&from=0&count=50`, { headers: headersOf(who, ports) });

/** Milliseconds after which the page asks again for a list in which rows are being computed anew, first and then; and those from a first asking to a whole list. */
const [AT_FIRST, AGAIN_AFTER] = [150, 700];
const whole = [];
const computing = (answer) => Number(/^{"total":\d+,"computing":(\d+)/.exec(answer.text())?.[1] ?? 0);
async function follow(at, who, ports, first, began) {
  if (first.status !== 200 || computing(first) === 0) return;
  for (let n = 0; n < 30; n++) {
    await later(n === 0 ? AT_FIRST : AGAIN_AFTER);
    const answer = await page(at, who, ports);
    if (answer.status === 200 && computing(answer) === 0) return void whole.push(performance.now() - began);
  }
  whole.push(Infinity);
}

/** What people do, and how often: shares of all requests. */
const DEEDS = [
  [
    'open a recipe',
    0.3,
    async (at, who, ports) =>
      ask(at, `/api/kitchens/${who.key}/recipes/bench-${Math.floor(Math.random() * recipes)}`, { headers: headersOf(who, ports) }),
  ],
  [
    'list of recipes, a page',
    0.15,
    async (at, who, ports) => {
      const began = performance.now();
      const answer = await page(at, who, ports);
      void follow(at, who, ports, answer, began);
      return answer;
    },
  ],
  [
    'find a food',
    0.15,
    async (at, who, ports) =>
      ask(
        at,
        `/api/kitchens/${who.key}/found-foods?q=${encodeURIComponent(pick(['leek', 'beet raw', 'lentl', 'smoked cod', 'oat', 'bench food']))}`,
        {
          headers: headersOf(who, ports),
        },
      ),
  ],
  ['the kitchen', 0.1, async (at, who, ports) => ask(at, `/api/kitchens/${who.key}`, { headers: headersOf(who, ports) })],
  ['who I am', 0.05, async (at, who, ports) => ask(at, '/api/me', { headers: headersOf(who, ports) })],
  ['save a recipe', 0.15, save],
  ['a public page', 0.1, async (at, _, __, place) => ask(at, place.page(), {})],
];

/** Each writer has a recipe open: what is saved rests on what it saw last. */
const open = new Map();
async function save(at, who, ports) {
  const id = `bench-${Math.floor(Math.random() * recipes)}`;
  const name = `${who.key} ${id}`;
  const headers = headersOf(who, ports);
  const path = `/api/kitchens/${who.key}/recipes/${id}`;
  if (!open.has(name)) {
    const answer = await ask(at, path, { headers });
    if (answer.status !== 200) return answer;
    open.set(name, JSON.parse(answer.text()));
  }
  const { revision, document } = open.get(name);
  const body = JSON.stringify({ revision, document: { ...document, title: `Dish ${Math.floor(Math.random() * 1e6)}` } });
  const began = performance.now();
  const answer = await ask(at, path, { method: 'PUT', headers, body });
  answer.took = performance.now() - began;
  if (answer.status === 200) {
    const saved = JSON.parse(answer.text());
    open.set(name, { revision: saved.revision, document });
  } else open.delete(name);
  return answer;
}

/** So many requests a second for a while, whatever becomes of those before; beside them an import every five seconds. */
async function run(servers, people, place, rate) {
  const { ports } = servers;
  const took = new Map(DEEDS.map(([name]) => [name, []]));
  const statuses = new Map();
  const under = new Set();
  const began = performance.now();
  let asked = 0;
  const imports = { done: 0, failed: 0 };
  const importing = setInterval(() => {
    const who = pick(people);
    const body = JSON.stringify({ ...kitchenOf(20, 60), format: 'portiona/1' });
    const one = ask(pick(ports), `/api/kitchens/${who.key}/imports/kitchen-file?there=keep`, {
      method: 'POST',
      headers: headersOf(who, ports),
      body,
    }).then(({ status }) => (status === 201 ? imports.done++ : imports.failed++));
    under.add(one);
    one.finally(() => under.delete(one));
  }, 5_000);
  const end = began + seconds * 1_000;
  for (let next = began; next < end; next += (-Math.log(1 - Math.random()) * 1_000) / rate) {
    const wait = next - performance.now();
    if (wait > 1) await later(wait);
    let share = Math.random();
    const [name, , deed] = DEEDS.find(([, own]) => (share -= own) < 0) ?? DEEDS[0];
    const at = ports[asked++ % ports.length];
    // From when it was to be asked: a generator that is late hides nothing.
    const due = next;
    const one = deed(at, pick(people), ports, place).then((answer) => {
      took.get(name).push(answer.took ?? performance.now() - due);
      const of = `${name} ${answer.status}`;
      if (answer.status !== 200) statuses.set(of, (statuses.get(of) ?? 0) + 1);
    });
    under.add(one);
    one.finally(() => under.delete(one));
  }
  clearInterval(importing);
  await Promise.all(under);
  const lasted = (performance.now() - began) / 1_000;
  const at = (list, share) => list[Math.min(list.length - 1, Math.floor(share * list.length))] ?? NaN;
  const ms = (found) => (Number.isNaN(found) ? '' : `${found.toFixed(found < 10 ? 1 : 0)} ms`).padStart(9);
  console.log(
    `\n${ports.length === 1 ? 'one server' : `${ports.length} servers and a worker`}, ${rate} requests a second asked, ${(asked / lasted).toFixed(0)} answered`,
  );
  console.log(`${''.padEnd(28)}${'asked'.padStart(7)}${'p50'.padStart(9)}${'p95'.padStart(10)}${'p99'.padStart(10)}`);
  for (const [name, list] of took) {
    list.sort((a, b) => a - b);
    console.log(`${name.padEnd(28)}${String(list.length).padStart(7)} ${ms(at(list, 0.5))} ${ms(at(list, 0.95))} ${ms(at(list, 0.99))}`);
  }
  const pages = took.get('list of recipes, a page').length;
  const late = whole.splice(0).sort((a, b) => a - b);
  console.log(
    late.length === 0
      ? 'every page of a list was whole at once'
      : `${late.length} of ${pages} pages of lists had rows that were being computed; whole after ${ms(at(late, 0.5)).trim()} (p50), ${ms(at(late, 0.99)).trim()} (p99)`,
  );
  console.log(`imports of 20 recipes beside: ${imports.done} done, ${imports.failed} refused; memory ${servers.memory().join(', ')} MB`);
  console.log(
    statuses.size === 0 ? 'every answer was 200' : `other answers: ${[...statuses].map(([of, count]) => `${of} (${count})`).join(', ')}`,
  );
}

/** Public pages as fast as they go: whoever had one asks whether it is another. */
async function readers(servers, place) {
  const [port] = servers.ports;
  const page = place.page();
  const first = await ask(port, page);
  if (first.status !== 200) return console.log(`public pages: ${first.status}`);
  const tags = { 'If-None-Match': first.headers.etag };
  for (const [name, headers] of [
    ['public pages, whole', {}],
    ['public pages, asked whether they are others', tags],
  ]) {
    let count = 0;
    const took = [];
    const end = performance.now() + 10_000;
    await Promise.all(
      Array.from({ length: 32 }, async () => {
        while (performance.now() < end) {
          const began = performance.now();
          const { status } = await ask(port, place.page(), { headers: headers['If-None-Match'] ? { ...headers } : {} });
          if (status === 200 || status === 304) count++;
          took.push(performance.now() - began);
        }
      }),
    );
    took.sort((a, b) => a - b);
    console.log(
      `${name.padEnd(46)} ${(count / 10).toFixed(0)} a second by 32 at once, p99 ${took[Math.floor(0.99 * took.length)].toFixed(0)} ms`,
    );
  }
}

const database = startDatabase();
let filling;
try {
  console.log(`${kitchens} kitchens of ${recipes} recipes and ${foods} foods`);
  filling = await startServer(database.url, { demo: false });
  const own = { 'Content-Type': 'application/json', ...filling.headers };
  const put = async (path, method, body) => {
    const answer = await fetch(`${filling.address}/api/kitchens/${filling.key}${path}`, {
      method,
      headers: own,
      ...(body ? { body: JSON.stringify(body) } : {}),
    });
    if (!answer.ok) throw new Error(`${path}: ${answer.status} ${(await answer.text()).slice(0, 300)}`);
    return answer;
  };
  await put('/imports/kitchen-file?name=Crowd', 'POST', kitchenOf(recipes, foods));
  await put('/recipes', 'GET');
  const cards = Array.from({ length: 20 }, (_, i) => `bench-${i}`);
  for (const id of cards) await put(`/recipes/${id}/published-cards`, 'POST', {});
  await put('/readers-address', 'PUT', { on: true, name: 'crowd' });
  await filling.stop();
  filling = undefined;
  const people = await crowdOf(database.url, kitchens);
  const place = { page: () => `/read/crowd/cards/${pick(cards)}` };
  for (const count of COUNTS) {
    const servers = await start(database.url, count);
    try {
      // What a server needs once is no part of it.
      for (const port of servers.ports) for (const [, , deed] of DEEDS) await deed(port, people[0], servers.ports, place);
      for (const rate of RATES) await run(servers, people, place, rate * count);
      if (count === 1) await readers(servers, place);
    } finally {
      await servers.stop();
    }
  }
} finally {
  await filling?.stop();
  database.stop();
}
