import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The built code that figures of lists come from; it stands in the same place whether this file runs built or not. */
const FOLDERS = ['../../../core/dist', '../../dist/recipes'];

let version: string | undefined;

/** Which engine computes here, a digest of its code: what another one computed is not what this one would. */
export function engineVersion(): string {
  version ??= codeDigest(FOLDERS);
  return version;
}

/**
 * A digest of the code in some folders.
 *
 * @param folders as seen from this one
 */
export function codeDigest(folders: readonly string[]): string {
  const hash = createHash('sha256');
  for (const folder of folders.map((one) => fileURLToPath(new URL(one, import.meta.url))))
    for (const name of (readdirSync(folder, { recursive: true }) as string[]).filter((one) => one.endsWith('.js')).sort())
      hash.update(name).update(readFileSync(join(folder, name)));
  return hash.digest('base64url').slice(0, 22);
}
