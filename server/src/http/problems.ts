import type { Fault, Finding } from '@portiona/core';

/** Problem details, RFC 9457, with the faults of unreadable input and what stands there after a stale save. */
export interface ProblemDetails {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly detail: string;
  readonly faults?: readonly Fault[];
  readonly current?: object;
  /** What Check finds wrong, where that stands in the way. */
  readonly findings?: readonly Pick<Finding, 'code' | 'at' | 'severity' | 'message'>[];
  /** Seconds after which it may be asked again. */
  readonly retryAfter?: number;
}

/** What is told of a problem besides its message. */
interface Told extends Omit<ProblemDetails, 'type' | 'detail'> {
  /** What kind it is, behind "urn:portiona:". */
  readonly type: string;
}

/** Seconds after which something that is busy may be asked again. */
const SOON = 2;

/** Something that is told to whoever asked, as problem details: each kind knows its status, and says what to do. */
export abstract class Problem extends Error {
  protected abstract get told(): Told;

  get details(): ProblemDetails {
    const { type, title, status, ...more } = this.told;
    return { type: `urn:portiona:${type}`, title, status, detail: this.message, ...more };
  }
}

/** Something asked for that is not there: 404. */
export class NotFoundError extends Problem {
  protected readonly told = { type: 'not-found', title: 'Not there', status: 404 };

  constructor(
    readonly kind: string,
    readonly id: string,
  ) {
    super(`there is no ${kind} "${id}"; it may have been removed`);
    this.name = 'NotFoundError';
  }
}

/** A kitchen that is not there, or that whoever asks is no member of: 404, told apart from a thing that is gone from a kitchen. */
export class NoKitchenError extends Problem {
  protected readonly told = { type: 'no-kitchen', title: 'No kitchen', status: 404 };

  constructor(readonly key: string) {
    super(`there is no kitchen "${key}", or you are no member of it`);
    this.name = 'NoKitchenError';
  }
}

/** Nobody is signed in, or no longer: 401. */
export class SignedOutError extends Problem {
  protected readonly told = { type: 'signed-out', title: 'Not signed in', status: 401 };

  constructor(why = 'you are not signed in, or no longer; sign in and try again. Nothing was done') {
    super(why);
    this.name = 'SignedOutError';
  }
}

/** Something that whoever asks may not do: 403, with what is missing. */
export class ForbiddenError extends Problem {
  protected readonly told = { type: 'forbidden', title: 'Not allowed', status: 403 };

  constructor(why: string) {
    super(`${why}; nothing was done`);
    this.name = 'ForbiddenError';
  }
}

/** A change that another page asked for, by a browser that sent our cookie along: 403. */
export class OtherPageError extends Problem {
  protected readonly told = { type: 'other-page', title: 'Not from here', status: 403 };

  constructor() {
    super('this page is older than your sign-in, or not the application’s; load it anew. Nothing was done');
    this.name = 'OtherPageError';
  }
}

/** Tried too often: 429, and when to come again. */
export class TooOftenError extends Problem {
  constructor(
    what: string,
    readonly seconds: number,
  ) {
    super(`${what}; nothing was done. Try again in ${saidSeconds(seconds)}`);
    this.name = 'TooOftenError';
  }

  protected get told() {
    return { type: 'too-often', title: 'Too often', status: 429, retryAfter: this.seconds };
  }
}

function saidSize(bytes: number): string {
  return bytes < 1024 * 1024 ? `${Math.round(bytes / 1024)} kB` : `${Math.round(bytes / 1024 / 1024)} MB`;
}

function saidSeconds(seconds: number): string {
  if (seconds < 60) return `${seconds} seconds`;
  const minutes = Math.ceil(seconds / 60);
  return minutes === 1 ? 'a minute' : `${minutes} minutes`;
}

/** An id that is already taken: 409. */
export class TakenError extends Problem {
  protected readonly told = { type: 'taken', title: 'Already there', status: 409 };

  constructor(
    readonly kind: string,
    readonly id: string,
  ) {
    super(`there is already a ${kind} "${id}"; choose another name`);
    this.name = 'TakenError';
  }
}

/** A save made on a revision that is no longer the newest: 409, with what is there now. */
export class StaleSaveError extends Problem {
  constructor(
    readonly kind: string,
    readonly id: string,
    readonly current: { readonly revision: number; readonly savedAt: string; readonly document: object },
  ) {
    super(
      `this ${kind} was saved elsewhere since you opened it; nothing of yours was written. Take what is there now, or save yours over it`,
    );
    this.name = 'StaleSaveError';
  }

  protected get told() {
    return { type: 'stale-save', title: 'Saved elsewhere', status: 409, current: this.current };
  }
}

/** Something that others rest on and that cannot be removed: 409. */
export class InUseError extends Problem {
  protected readonly told = { type: 'in-use', title: 'In use', status: 409 };

  constructor(
    readonly kind: string,
    readonly id: string,
    readonly times: number,
    /** What uses it: one, and several. */
    [one, several]: readonly [string, string] = ['recipe', 'recipes'],
  ) {
    super(`this ${kind} is used in ${times} ${times === 1 ? one : several}; put it away instead, or take it out of them first`);
    this.name = 'InUseError';
  }
}

/** Input whose content cannot be read: 422, each fault with its place. */
export class ValidationError extends Problem {
  constructor(readonly faults: readonly Fault[]) {
    super('nothing was saved; mend what is listed and send it again');
    this.name = 'ValidationError';
  }

  protected get told() {
    return { type: 'unreadable', title: 'Cannot be read', status: 422, faults: this.faults };
  }
}

/** Too much under way to take more on: 503, try again. */
export class BusyError extends Problem {
  protected readonly told = { type: 'busy', title: 'Busy', status: 503, retryAfter: SOON };

  constructor(readonly what: string) {
    super(`${what}; nothing was begun. Wait for one to end, or end one, and try again`);
    this.name = 'BusyError';
  }
}

/** More is asked than this server can answer in time: 503 before anything is begun, so that what is under way goes on. */
export class OverloadedError extends Problem {
  protected readonly told = { type: 'overloaded', title: 'Busy', status: 503, retryAfter: SOON };

  constructor(why: string) {
    super(`${why}; nothing was begun. Try again in a moment`);
    this.name = 'OverloadedError';
  }
}

/** What is sent comes too slowly, or stopped coming: 408. */
export class TooSlowError extends Problem {
  protected readonly told = { type: 'too-slow', title: 'Too slow', status: 408 };

  constructor() {
    super('what was sent stopped coming, or came too slowly; nothing was taken in. Send it again');
    this.name = 'TooSlowError';
  }
}

/** No answer was found in the time there is: 503. What was asked may yet be done; nothing says so. */
export class TooLongError extends Problem {
  protected readonly told = { type: 'too-long', title: 'Took too long', status: 503, retryAfter: SOON };

  constructor() {
    super('this took longer than an answer may; look whether it was done before you try again');
    this.name = 'TooLongError';
  }
}

/** A file that cannot be taken: 422, with what to do instead. */
export class RefusedFileError extends Problem {
  protected readonly told = { type: 'refused', title: 'Cannot be taken', status: 422 };

  constructor(why: string) {
    super(`${why}. Nothing was taken in`);
    this.name = 'RefusedFileError';
  }
}

/** More than can be taken at once: 413. */
export class TooLargeError extends Problem {
  protected readonly told = { type: 'too-large', title: 'Too large', status: 413 };

  constructor(readonly most: number) {
    super(`this is more than ${saidSize(most)}, the most that can be taken at once; nothing was taken in`);
    this.name = 'TooLargeError';
  }
}

/** A file that would be too large to be taken in again: 409. */
export class TooLargeFileError extends Problem {
  protected readonly told = { type: 'too-large-file', title: 'Too large a file', status: 409 };

  constructor(readonly most: number) {
    super(
      `with its photos this kitchen is more than ${Math.round(most / 1024 / 1024)} MB, the most that is taken in at once; take the file without photos`,
    );
    this.name = 'TooLargeFileError';
  }
}

/** A picture that cannot be kept: 422. */
export class UnreadablePhotoError extends Problem {
  protected readonly told = { type: 'photo', title: 'No photo', status: 422 };

  constructor(why: string, options?: ErrorOptions) {
    super(`the photo was not taken: ${why}`, options);
    this.name = 'UnreadablePhotoError';
  }
}

/** A device that does not do what it is asked: 409, and what keeps it. */
export class DeviceError extends Problem {
  protected readonly told = { type: 'device', title: 'The device does not', status: 409 };

  constructor(what: string) {
    super(what);
    this.name = 'DeviceError';
  }
}

/** The database went away at the very end of a save: 503, and the truth about what is known. */
export class UncertainSaveError extends Problem {
  protected readonly told = { type: 'uncertain', title: 'Not known', status: 503, retryAfter: SOON };

  constructor(cause: unknown) {
    super(
      'the database went away while this was being saved: it is saved whole or not at all, and which is not known. Send it again, or look',
      { cause },
    );
    this.name = 'UncertainSaveError';
  }
}

/** A request that is not taken as it comes: a status from 400 to 499, with what to do. */
export class RefusedRequestError extends Problem {
  constructor(
    readonly status: number,
    why: string,
  ) {
    super(`${why}; nothing was done`);
    this.name = 'RefusedRequestError';
  }

  protected get told() {
    return { type: 'request', title: 'Not possible', status: this.status };
  }
}

/** A problem that was worked out elsewhere, in a thread, and is only handed on. */
export class ToldError extends Problem {
  constructor(protected readonly told: ProblemDetails) {
    super(told.detail);
    this.name = 'ToldError';
  }

  override get details(): ProblemDetails {
    return this.told;
  }
}

/** More work than one request may ask for: 422, or 413 where it is of its size. */
export class TooMuchWorkError extends Problem {
  protected readonly told = { type: 'too-much', title: 'Too much', status: 422 };

  constructor(
    readonly of: 'time' | 'memory',
    options: ErrorOptions,
  ) {
    super(
      `this takes more ${of} than one request may have, and was ended; nothing was written. Ask for less at once, or make it smaller`,
      options,
    );
    this.name = 'TooMuchWorkError';
  }
}

/** All that was brought would weigh too much together: 507. */
export class FullError extends Problem {
  protected readonly told = { type: 'full', title: 'No room', status: 507 };

  /** @param all whether it is all kitchens together that have as much as may be */
  constructor(
    readonly most: number,
    all = false,
  ) {
    super(
      all
        ? 'the files of all kitchens together weigh as much as may be here; nothing was taken in. Try again later, or ask who looks after this installation'
        : `as many files are kept as may be, or they would weigh more than ${Math.round(most / 1024 / 1024)} MB together; nothing was taken in. Take in or forget one of them first`,
    );
    this.name = 'FullError';
  }
}

/** Something wrong in a dish that nobody gave a reason to leave: 409, it is not published. */
export class OpenFindingsError extends Problem {
  constructor(readonly findings: readonly Pick<Finding, 'code' | 'at' | 'severity' | 'message'>[]) {
    super(
      `Check finds ${findings.length === 1 ? 'one thing' : `${findings.length} things`} wrong in this dish; nothing was published. Mend what is listed, or leave each with a reason`,
    );
    this.name = 'OpenFindingsError';
  }

  protected get told() {
    return { type: 'open-findings', title: 'Something is wrong', status: 409, findings: this.findings };
  }
}
