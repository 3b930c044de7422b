const PART = /^[a-z\d](?:[a-z\d-]*[a-z\d])?$/i;

/**
 * Where a printed address leads; undefined where it is none that a link may be made of.
 *
 * @example webAddress('saltmarsh.example/nw7') // 'https://saltmarsh.example/nw7'
 */
export function webAddress(printed: string | undefined): string | undefined {
  const [host = '', ...path] = (printed ?? '').split('/');
  const parts = host.split('.');
  const isHost = parts.length > 1 && parts.every((part) => PART.test(part));
  return isHost && path.every((part) => /^[\w.-]*$/.test(part)) ? `https://${[host, ...path].join('/')}` : undefined;
}
