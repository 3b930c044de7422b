import { isReachedFromElsewhere, listening } from '../src/http/listening.js';

test.each([
  [{}, '127.0.0.1', false],
  [{ PORTIONA_LISTEN: 'localhost' }, 'localhost', false],
  [{ PORTIONA_LISTEN: '0.0.0.0', PORTIONA_HOSTS: 'kitchen.example', PORTIONA_TLS_CERT: 'c', PORTIONA_TLS_KEY: 'k' }, '0.0.0.0', true],
  [{ PORTIONA_LISTEN: '10.1.2.3', PORTIONA_HOSTS: 'kitchen.example', PORTIONA_PROXY: '10.0.0.0/8' }, '10.1.2.3', true],
  // A proxy on the same machine leads others here as well.
  [{ PORTIONA_PROXY: 'loopback' }, '127.0.0.1', true],
])('%j listens on %s', (environment, host, elsewhere) => {
  expect(listening(environment).host).toBe(host);
  expect(isReachedFromElsewhere(environment)).toBe(elsewhere);
});

test.each([
  [{ PORTIONA_LISTEN: '0.0.0.0', PORTIONA_HOSTS: 'kitchen.example' }, /PORTIONA_TLS_CERT and PORTIONA_TLS_KEY, or name the proxy/],
  [{ PORTIONA_LISTEN: '::', PORTIONA_TLS_CERT: 'c', PORTIONA_TLS_KEY: 'k' }, /say in PORTIONA_HOSTS/],
  [{ PORTIONA_TLS_CERT: 'c' }, /belong together/],
])('%j does not start, and says what is missing', (environment, said) => {
  expect(() => listening(environment)).toThrow(said);
});
