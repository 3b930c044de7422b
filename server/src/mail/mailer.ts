/** Something to be sent to somebody: plain text. */
export interface Letter {
  readonly to: string;
  readonly subject: string;
  readonly text: string;
}

/** Sends letters; which way is chosen where the server is started. */
export abstract class Mailer {
  /** Whether letters really leave: where they do not, they are kept to be read here. */
  abstract readonly leaves: boolean;
  /** @throws whatever keeps it from being sent */
  abstract send(letter: Letter): Promise<void>;
}
