import { readFileSync } from 'node:fs';

let version: string | undefined;

/** The version of the application, as its package says. */
export function appVersion(): string {
  version ??= (JSON.parse(readFileSync(new URL('../../package.json', import.meta.url), 'utf8')) as { version: string }).version;
  return version;
}
