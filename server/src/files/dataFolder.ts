import { readdir, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** A folder of this machine's data folder (PORTIONA_HOME). */
export function dataFolder(name: string): string {
  return join(process.env.PORTIONA_HOME ?? join(tmpdir(), 'portiona'), name);
}

/** Takes files of a folder away that nothing has touched for a while. @param idle milliseconds */
export async function forgetIdle(folder: string, idle: number, now = Date.now()): Promise<void> {
  for (const name of await readdir(folder).catch(() => [])) {
    const path = join(folder, name);
    const { mtimeMs } = await stat(path).catch(() => ({ mtimeMs: now }));
    if (now - mtimeMs > idle) await rm(path, { force: true, recursive: true });
  }
}
