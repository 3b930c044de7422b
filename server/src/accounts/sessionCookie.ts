import { parseCookie, stringifySetCookie } from 'cookie';
import type { Request, Response } from 'express';

/** Milliseconds that a session lasts unused, and at most. */
export const SESSION = { idle: 14 * 24 * 3600_000, longest: 90 * 24 * 3600_000 };

/**
 * What the cookie is called. Cookies know no ports: two servers on one machine would take each other's. Over HTTPS its name has the
 * browser hold it to this host and to encrypted connections.
 */
function nameFor(request: Request): string {
  return request.secure ? '__Host-portiona' : `portiona-${request.socket.localPort}`;
}

/** The secret that a request's cookie holds. */
export function sessionSecret(request: Request): string | undefined {
  const { cookie } = request.headers;
  return cookie === undefined ? undefined : parseCookie(cookie)[nameFor(request)];
}

/** Gives a browser the secret of its session: no script reads it, and no other site has it sent with what changes something. */
export function setSession(request: Request, response: Response, secret: string): void {
  set(request, response, secret, SESSION.longest / 1000);
}

export function clearSession(request: Request, response: Response): void {
  set(request, response, '', 0);
}

function set(request: Request, response: Response, value: string, maxAge: number): void {
  const cookie = { name: nameFor(request), value, path: '/', httpOnly: true, sameSite: 'lax' as const, secure: request.secure, maxAge };
  response.append('Set-Cookie', stringifySetCookie(cookie));
}
