import { createHash, createHmac, randomBytes, timingSafeEqual } from 'node:crypto';

/** Bytes of a secret: nobody guesses it. */
const BYTES = 32;

/** A new secret, as text that may stand in an address or a header. */
export function newSecret(): string {
  return randomBytes(BYTES).toString('base64url');
}

/** What is kept of a secret: who reads it can do nothing with it. A secret is random, so that it needs no slow digest. */
export function digestOf(secret: string): Buffer {
  return createHash('sha256').update(secret).digest();
}

/** What a page has to say beside its cookie with whatever changes something: another page that makes a browser send the cookie does not know it. */
export function pageToken(sessionSecret: string): string {
  return createHmac('sha256', sessionSecret).update('portiona page').digest('base64url');
}

/** Whether two texts are the same, in a time that says nothing of where they differ. */
export function sameText(one: string, other: string): boolean {
  const [a, b] = [digestOf(one), digestOf(other)];
  return timingSafeEqual(a, b);
}
