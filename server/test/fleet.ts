import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer, request as ask, type IncomingMessage, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { freePort } from './freePort.js';

const MAIN = join(__dirname, '../dist/main.js');
/** The name that the whole is reached by. */
export const NAME = 'kitchens.example';

/** One process of Portiona, that can be killed and started again at the same port. */
export interface Member {
  readonly port: number;
  readonly kill: (signal?: NodeJS.Signals) => Promise<void>;
  readonly start: () => Promise<void>;
}

/**
 * Servers that answer and workers that do jobs, each a process with a data folder of its own, on one database and behind a small balancer
 * that speaks for them as a proxy with HTTPS would.
 */
export async function fleet(database: string, { serving, working }: { serving: number; working: number }, environment: object) {
  const homes: string[] = [];
  const member = async (role: 'serve' | 'work'): Promise<Member> => {
    const [port, watch] = [await freePort(), await freePort()];
    const home = mkdtempSync(join(tmpdir(), 'portiona-test-home-'));
    homes.push(home);
    let child: ChildProcess | undefined;
    return {
      port,
      start: async () => {
        child = spawn(process.execPath, [MAIN], {
          env: {
            ...process.env,
            ...environment,
            PORTIONA_ROLE: role,
            PORTIONA_PORT: String(port),
            PORTIONA_WATCH_LISTEN: String(watch),
            PORTIONA_HOME: home,
            DATABASE_URL: database,
            PORTIONA_PROXY: 'loopback',
            PORTIONA_HOSTS: NAME,
            LOG_LEVEL: 'error',
          },
          stdio: ['ignore', 'inherit', 'inherit'],
        });
        for (let i = 0; i < 900; i++) {
          const ready = await fetch(`http://127.0.0.1:${watch}/ready`).then(
            ({ ok }) => ok,
            () => false,
          );
          if (ready) return;
          if (child.exitCode !== null) throw new Error(`a ${role} did not start`);
          await new Promise((resolve) => setTimeout(resolve, 100));
        }
        throw new Error(`a ${role} is not ready`);
      },
      kill: async (signal = 'SIGKILL') => {
        if (!child || child.exitCode !== null || child.signalCode !== null) return;
        const gone = once(child, 'exit');
        child.kill(signal);
        await gone;
      },
    };
  };
  const servers = await Promise.all(Array.from({ length: serving }, () => member('serve')));
  const workers = await Promise.all(Array.from({ length: working }, () => member('work')));
  // The first brings the database up to date; the others may begin at once.
  await servers[0]?.start();
  await Promise.all([...servers.slice(1), ...workers].map((one) => one.start()));
  const balancer = await balance(servers.map(({ port }) => port));
  return {
    servers,
    workers,
    address: `http://127.0.0.1:${(balancer.address() as AddressInfo).port}`,
    close: async () => {
      balancer.closeAllConnections();
      balancer.close();
      await Promise.all([...servers, ...workers].map((one) => one.kill('SIGTERM')));
      for (const home of homes) rmSync(home, { recursive: true, force: true });
    },
  };
}

/** Gives each request to the next server; where that one does not even take it, to the one after. What was taken and not answered is told as such. */
async function balance(ports: readonly number[]): Promise<Server> {
  let next = 0;
  const balancer = createServer((request, response) => {
    const pieces: Buffer[] = [];
    request.on('data', (piece: Buffer) => pieces.push(piece));
    request.on('end', () => give(request, Buffer.concat(pieces), ports.length));
    const give = (from: IncomingMessage, body: Buffer, left: number): void => {
      const port = ports[next++ % ports.length];
      const onward = ask(
        {
          host: '127.0.0.1',
          port,
          method: from.method,
          path: from.url,
          headers: { ...from.headers, host: NAME, 'x-forwarded-proto': 'https', 'x-forwarded-for': '203.0.113.7', connection: 'close' },
        },
        (answer) => {
          response.writeHead(answer.statusCode ?? 502, { ...answer.headers, 'x-served-by': String(port) });
          answer.pipe(response);
          answer.on('error', () => response.destroy());
        },
      );
      onward.on('error', (error) => {
        if (response.headersSent) return void response.destroy();
        if ('code' in error && error.code === 'ECONNREFUSED' && left > 1) return give(from, body, left - 1);
        response.writeHead(502).end();
      });
      response.on('close', () => onward.destroy());
      onward.end(body);
    };
  });
  balancer.listen(0, '127.0.0.1');
  await once(balancer, 'listening');
  return balancer;
}
