import { hash, verify } from '@node-rs/argon2';
import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import { adjacencyGraphs, dictionary } from '@zxcvbn-ts/language-common';
import { ValidationError } from '../http/problems.js';

/** Memory (KiB), passes and lanes of argon2id: OWASP’s Password Storage Cheat Sheet, second choice of its table. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };
/** Letters of a password. */
export const SHORTEST_PASSWORD = 10;
const LONGEST_PASSWORD = 200;
/** Of 0 to 4: what is guessed in fewer than a million tries is none. */
const LEAST_STRENGTH = 2;

let strength: ZxcvbnFactory | undefined;

/** A digest of a password to be kept: argon2id with a salt of its own. */
export function passwordDigest(password: string): Promise<string> {
  return hash(password.normalize('NFKC'), COST);
}

let nobodys: Promise<string> | undefined;

/** Whether a password is the one of a digest. Without one it takes as long, so that nobody learns whether there is an account. */
export async function isPassword(digest: string | null | undefined, password: string): Promise<boolean> {
  nobodys ??= passwordDigest('nobody has this password');
  const against = digest ?? (await nobodys);
  const same = await verify(against, password.slice(0, LONGEST_PASSWORD).normalize('NFKC')).catch(() => false);
  return same && typeof digest === 'string';
}

/** Refuses a password that is guessed at once. @param known words that whoever guesses knows: name, address @throws ValidationError */
export function checkPassword(password: string, known: readonly string[]): void {
  const refuse = (message: string) => {
    throw new ValidationError([{ path: 'password', message }]);
  };
  if (password.length < SHORTEST_PASSWORD) refuse(`must be ${SHORTEST_PASSWORD} letters at least`);
  if (password.length > LONGEST_PASSWORD) refuse(`must be ${LONGEST_PASSWORD} letters at most`);
  strength ??= new ZxcvbnFactory({ graphs: adjacencyGraphs, dictionary });
  if (
    strength.check(
      password,
      known.filter((word) => word.length > 2),
    ).score < LEAST_STRENGTH
  )
    refuse('is guessed too easily: take several words that do not belong together');
}
