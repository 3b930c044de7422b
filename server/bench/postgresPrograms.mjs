// PostgreSQL's own programs, for measurements that do to a database what the command never does.
import { execFileSync, spawnSync } from 'node:child_process';
import { readdirSync } from 'node:fs';

const ROOT = '/usr/lib/postgresql';
const newest = readdirSync(ROOT)
  .sort((a, b) => Number(a) - Number(b))
  .at(-1);

/** Runs one as the account that databases run as. @returns what it said */
export function postgres(program, args, env = {}) {
  const path = `${ROOT}/${newest}/bin/${program}`;
  const [command, ...rest] = process.getuid?.() === 0 ? ['runuser', '-u', 'postgres', '--', path, ...args] : [path, ...args];
  return execFileSync(command, rest, { cwd: '/', env: { ...process.env, ...env }, encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'] });
}

/** Gives a folder to the account that databases run as. */
export function giveTo(folder) {
  if (process.getuid?.() === 0) spawnSync('chown', ['postgres', folder]);
}
