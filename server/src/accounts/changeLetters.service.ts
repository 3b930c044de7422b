import { Injectable, Logger } from '@nestjs/common';
import { Mailer } from '../mail/mailer.js';

/** What was changed of an account that somebody else may have wanted to change. */
const CHANGES = {
  email: ['Your address at Portiona was changed', 'the address of your account was changed; it is signed in with another one from now on'],
  password: ['Your password at Portiona was changed', 'the password of your account was changed, and everywhere else was signed out'],
  passkey: ['A passkey was made for your account at Portiona', 'a passkey was made that signs in to your account'],
  ended: ['Your account at Portiona was deleted', 'your account was deleted, and with it whatever signed in to it'],
} as const;

/** What to do about it, where it was not you. */
const NOT_YOU = {
  changed: 'ask for a new password at once, sign out everywhere under your account, and tell whoever looks after this installation',
  ended: 'tell whoever looks after this installation at once: a backup may still hold it',
};

/** Tells somebody by letter what was changed of their account, so that it is not changed behind their back. */
@Injectable()
export class ChangeLetters {
  readonly #log = new Logger('letters');

  constructor(private readonly mailer: Mailer) {}

  /** @param email where it is told: an address that was given up is told at that one; null: there is none */
  tell(what: keyof typeof CHANGES, name: string, email: string | null): void {
    if (email === null) return;
    const [subject, words] = CHANGES[what];
    // Not waited for: what was changed is changed, whether a letter leaves or not.
    void this.mailer
      .send({
        to: email,
        subject,
        text: `Hello ${name},\n\n${words}.\n\nIf it was not you, ${what === 'ended' ? NOT_YOU.ended : NOT_YOU.changed}.\n`,
      })
      .catch((error: unknown) => this.#log.error(error));
  }
}
