import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { chmodSync, existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { get } from 'node:http';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { freePort } from './freePort.js';
import { enter } from './testServer.js';

const ROOT = join(__dirname, '../..');
const home = mkdtempSync(join(tmpdir(), 'portiona-command-'));
// The account that the server runs as has to be able to enter it.
chmodSync(home, 0o755);
let port: number;
beforeAll(async () => {
  port = await freePort();
});
afterAll(() => {
  run('stop');
  rmSync(home, { recursive: true, force: true });
});
afterEach(() => {
  run('stop');
  expect(left()).toEqual([]);
});

/** A run of the command: what it has said, and its end. */
interface Run {
  readonly child: ChildProcess;
  said: string;
  readonly ended: Promise<number>;
}

function environment(): NodeJS.ProcessEnv {
  const { DATABASE_URL: _, ...inherited } = process.env;
  return { ...inherited, PORTIONA_HOME: home, PORTIONA_PORT: String(port), PORTIONA_PATIENCE: '8', LOG_LEVEL: 'error' };
}

function begin(command: string): Run {
  const child = spawn(join(ROOT, 'portiona'), [command], { env: environment(), stdio: ['ignore', 'pipe', 'pipe'] });
  const begun: Run = { child, said: '', ended: once(child, 'exit').then(([code]) => (code as number | null) ?? -1) };
  for (const stream of [child.stdout, child.stderr]) stream?.on('data', (text: Buffer) => (begun.said += text.toString()));
  return begun;
}

/** Runs the command to its end. */
function run(command: string, env: NodeJS.ProcessEnv = {}) {
  const { status, stdout, stderr } = spawnSync(join(ROOT, 'portiona'), [command], {
    env: { ...environment(), ...env },
    encoding: 'utf8',
    timeout: 100_000,
  });
  return { status, said: stdout + stderr };
}

async function ready(started: Run): Promise<Run> {
  for (let i = 0; i < 600 && !/is ready:/.test(started.said); i++) {
    if (started.child.exitCode !== null) throw new Error(`it ended: ${started.said}`);
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  expect(started.said).toMatch(/is ready:/);
  return started;
}

const started = () => ready(begin('start'));

/** The status of an answer; 0 where nobody answers, not even after a moment. Each time over a connection of its own. */
async function statusOf(path: string, tries = 10): Promise<number> {
  const status = await new Promise<number>((resolve) => {
    get({ host: '127.0.0.1', port, path: `/api${path}`, agent: false }, (answer) => {
      answer.resume();
      resolve(answer.statusCode ?? 0);
    }).on('error', () => resolve(0));
  });
  if (status !== 0 || tries <= 1) return status;
  await new Promise((resolve) => setTimeout(resolve, 200));
  return statusOf(path, tries - 1);
}

const health = () => statusOf('/health');

/** The first number of a pid file. */
function pidIn(file: string): number {
  return Number(readFileSync(join(home, file), 'utf8').split(/\s/)[0]);
}

/** Processes that still belong to this home: its server, its database, its runs. */
function left(): string[] {
  return readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name) && Number(name) !== process.pid)
    .flatMap((pid) => {
      try {
        const command = readFileSync(`/proc/${pid}/cmdline`, 'utf8').replaceAll('\0', ' ');
        const state = /\) (\w)/.exec(readFileSync(`/proc/${pid}/stat`, 'utf8'))?.[1];
        const env = /portiona|postgres|main\.js/.test(command) ? readFileSync(`/proc/${pid}/environ`, 'utf8') : '';
        return state !== 'Z' && (command.includes(home) || env.includes(`PORTIONA_HOME=${home}`)) ? [`${pid} ${command}`] : [];
      } catch {
        return []; // it has just gone
      }
    });
}

/** Begins an upload that nobody ends. */
function endlessUpload(): void {
  const socket = connect(port, '127.0.0.1');
  socket.on('error', () => undefined);
  socket.write(
    `POST /api/sign-ins HTTP/1.1\r\nHost: 127.0.0.1:${port}\r\nContent-Type: application/json\r\nContent-Length: 100000\r\n\r\n{"email":`,
  );
}

/** What happens while it runs, or has just ended, and what is said and left. */
const PAIRS: readonly (readonly [string, () => Promise<void>])[] = [
  [
    'start beside start: one runs, the other says so',
    async () => {
      const both = [begin('start'), begin('start')];
      const first = await Promise.race(both.map(async (one) => ({ one, code: await one.ended })));
      expect(first.code).toBe(0);
      expect(first.one.said).toMatch(/is running already/);
      expect(await health()).toBe(200);
    },
  ],
  [
    'stop twice at once: both end well, and nothing is left',
    async () => {
      const server = await started();
      const stops = [begin('stop'), begin('stop')];
      expect(await Promise.all(stops.map(({ ended }) => ended))).toEqual([0, 0]);
      expect(await server.ended).toBe(0);
      expect(left()).toEqual([]);
    },
  ],
  [
    'stop with nothing running says so',
    async () => {
      expect(run('stop')).toMatchObject({ status: 0, said: expect.stringMatching(/Nothing was running/) as string });
      return Promise.resolve();
    },
  ],
  [
    'stop during an upload that never ends: it ends all the same, and with it everything',
    async () => {
      await started();
      endlessUpload();
      await new Promise((resolve) => setTimeout(resolve, 300));
      expect(run('stop')).toMatchObject({ status: 0, said: expect.stringMatching(/Stopped\./) as string });
      expect(left()).toEqual([]);
      expect(await health()).toBe(0);
    },
  ],
  [
    'stop of a server that stands still: it is made to end, and that is said',
    async () => {
      const server = await started();
      process.kill(pidIn('server.pid'), 'SIGSTOP');
      expect(run('stop').status).toBe(0);
      await server.ended;
      expect(server.said).toMatch(/did not end within 8 s; it was made to/);
      expect(left()).toEqual([]);
    },
  ],
  [
    'start with the database dead: it is started again, nothing is lost',
    async () => {
      await started();
      const document = { id: 'kept', title: 'Kept', servings: 1, parts: [{ id: 'm', name: 'M', lines: [] }] };
      const link = /#(\S+)/.exec(run('link').said)?.[1] ?? '';
      const { headers, kitchen } = await enter(`http://127.0.0.1:${port}`, link);
      const saved = await fetch(`http://127.0.0.1:${port}${kitchen}/recipes`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', ...headers },
        body: JSON.stringify({ document }),
      });
      expect([201, 409]).toContain(saved.status);
      process.kill(Number(readFileSync(join(databaseFolder(), 'data/postmaster.pid'), 'utf8').split('\n')[0]), 'SIGKILL');
      for (let i = 0; i < 600 && (await health()) !== 503; i++) await new Promise((resolve) => setTimeout(resolve, 100));
      expect(run('start')).toMatchObject({ status: 0, said: expect.stringMatching(/running already, and its database again/) as string });
      expect(await health()).toBe(200);
      expect((await fetch(`http://127.0.0.1:${port}${kitchen}/recipes/kept`, { headers: { ...headers } })).status).toBe(200);
    },
  ],
  [
    'start during a shutdown: it waits, and runs then',
    async () => {
      const first = await started();
      endlessUpload(); // the shutdown takes a while
      const stop = begin('stop');
      await new Promise((resolve) => setTimeout(resolve, 600));
      const second = begin('start');
      expect(await stop.ended).toBe(0);
      expect(await first.ended).toBe(0);
      await ready(second);
      expect(await health()).toBe(200);
    },
  ],
  [
    'start after its run was killed: what was left is ended, and it runs',
    async () => {
      const first = await started();
      const orphan = pidIn('server.pid');
      first.child.kill('SIGKILL');
      await first.ended;
      const second = await started();
      expect(second.said).toMatch(new RegExp(`left by a run cut off \\(${orphan}\\)`));
      expect(pidIn('server.pid')).not.toBe(orphan);
      expect(await health()).toBe(200);
    },
  ],
  [
    'stop after its run was killed: server and database are ended, and that is said',
    async () => {
      const first = await started();
      first.child.kill('SIGKILL');
      await first.ended;
      expect(run('stop')).toMatchObject({ status: 0, said: expect.stringMatching(/left by a run cut off[\s\S]*Stopped\./) as string });
      expect(left()).toEqual([]);
    },
  ],
  [
    'a server that dies: its run says so, and ends with its database',
    async () => {
      const first = await started();
      process.kill(pidIn('server.pid'), 'SIGKILL');
      expect(await first.ended).toBe(1);
      expect(first.said).toMatch(/ended by itself/);
      expect(left()).toEqual([]);
    },
  ],
  [
    'a pid file that names somebody else ends nobody',
    async () => {
      const stranger = spawn('sleep', ['60']);
      spawnSync('sh', ['-c', `mkdir -p '${home}' && echo '${stranger.pid} 12345' > '${join(home, 'server.pid')}'`]);
      run('stop');
      expect(stranger.exitCode).toBeNull();
      expect(stranger.killed).toBe(false);
      stranger.kill();
      await once(stranger, 'exit');
    },
  ],
  [
    'a data folder that cannot be written is told in one line',
    async () => {
      const { status, said } = run('start', { PORTIONA_HOME: '/proc/portiona' });
      expect(status).toBe(1);
      expect(said.trim().split('\n')).toEqual([
        'The data folder /proc/portiona cannot be written to. Set PORTIONA_HOME to a folder that can.',
      ]);
      return Promise.resolve();
    },
  ],
  [
    'started by root, the server is not root',
    async () => {
      await started();
      const [, uid] = /^Uid:\s+(\d+)/m.exec(readFileSync(`/proc/${pidIn('server.pid')}/status`, 'utf8')) ?? [];
      if (process.getuid?.() === 0) expect(uid).not.toBe('0');
      else expect(uid).toBe(String(process.getuid?.()));
    },
  ],
];

test.each(PAIRS)('%s', (_, happens) => happens());

/** Where the private database is: beside, when its account cannot enter the home. */
function databaseFolder(): string {
  const own = join(home, 'database');
  return existsSync(join(own, 'data')) ? own : join('/var/tmp', readdirSync('/var/tmp').find((name) => name.startsWith('portiona-')) ?? '');
}
