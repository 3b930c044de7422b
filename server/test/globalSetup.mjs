import { fork } from 'node:child_process';
import { fileURLToPath } from 'node:url';

/** Starts a process for the servers of each worker, and says where it is. */
export default async function globalSetup({ maxWorkers }) {
  const hosts = Array.from({ length: maxWorkers }, () =>
    fork(fileURLToPath(new URL('appHost.mjs', import.meta.url)), { stdio: ['ignore', 'inherit', 'inherit', 'ipc'] }),
  );
  globalThis.portionaTestHosts = hosts;
  const ports = await Promise.all(
    hosts.map(
      (host) =>
        new Promise((resolve, reject) =>
          host
            .once('message', ({ port }) => resolve(port))
            .once('exit', () => reject(new Error('a process for test servers ended; is the server built?'))),
        ),
    ),
  );
  process.env.TEST_APP_HOSTS = ports.join(',');
}
