/** Where something is listened for. */
export interface StatedAddress {
  readonly host: string;
  readonly port: number;
}

/**
 * An address as the environment states it: "8080" (on loopback) or "0.0.0.0:8080"; empty or left out: none.
 *
 * @param name of the variable, for what is said of it
 * @throws Error that says what it must be
 */
export function statedAddress(name: string, stated: string | undefined): StatedAddress | undefined {
  if (stated === undefined || stated.trim() === '') return undefined;
  const [, host = '127.0.0.1', port = ''] = /^(?:(.+):)?(\d{1,5})$/.exec(stated.trim()) ?? [];
  if (port === '' || Number(port) > 65_535)
    throw new Error(`${name} is "${stated}"; it must be a port, or an address with a port such as 0.0.0.0:8080`);
  return { host: host.replace(/^\[(.*)\]$/, '$1'), port: Number(port) };
}
