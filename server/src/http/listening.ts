/** Where the server listens, and how what comes from elsewhere is kept private. */
export interface Listening {
  readonly host: string;
  /** Certificate and key of its own, PEM; undefined: it speaks plain HTTP. */
  readonly tls: { readonly certificate: string; readonly key: string } | undefined;
  /** Addresses of proxies whose word on who asks, and how, is taken: as the framework wants it. */
  readonly proxies: string | undefined;
}

const LOOPBACK = /^(?:127(?:\.\d{1,3}){3}|::1|localhost)$/;

/**
 * Where the server is to listen: PORTIONA_LISTEN, on loopback where it is left out. Anywhere else only with a certificate of its own
 * (PORTIONA_TLS_CERT and PORTIONA_TLS_KEY, files) or behind a proxy that is named (PORTIONA_PROXY, its addresses): what people sign in
 * with goes over the wire.
 *
 * @throws Error that says what is missing
 */
export function listening(environment: NodeJS.ProcessEnv = process.env): Listening {
  const host = environment.PORTIONA_LISTEN?.trim() || '127.0.0.1';
  const [certificate, key, proxies] = [environment.PORTIONA_TLS_CERT, environment.PORTIONA_TLS_KEY, environment.PORTIONA_PROXY].map(
    (said) => said?.trim() || undefined,
  );
  if ((certificate === undefined) !== (key === undefined))
    throw new Error('PORTIONA_TLS_CERT and PORTIONA_TLS_KEY belong together: set both, or neither');
  if (!LOOPBACK.test(host) && certificate === undefined && proxies === undefined)
    throw new Error(
      `PORTIONA_LISTEN is "${host}", which others reach: set PORTIONA_TLS_CERT and PORTIONA_TLS_KEY, or name the proxy in front of it that speaks HTTPS in PORTIONA_PROXY (its address, or "loopback")`,
    );
  if (!LOOPBACK.test(host) && !environment.PORTIONA_HOSTS?.trim())
    throw new Error(`PORTIONA_LISTEN is "${host}": say in PORTIONA_HOSTS by which name people reach it, such as "kitchen.example"`);
  return { host, tls: certificate !== undefined && key !== undefined ? { certificate, key } : undefined, proxies };
}

/** Whether others than whoever sits at the machine reach the server: by itself, or through a proxy. Accounts need a password or a passkey then. */
export function isReachedFromElsewhere(environment: NodeJS.ProcessEnv = process.env): boolean {
  const { host, proxies } = listening(environment);
  return !LOOPBACK.test(host) || proxies !== undefined;
}
