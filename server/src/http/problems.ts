import type { ProblemDetails } from './problemOf.js';
import type { Fault } from '@portiona/core';

/** Something asked for that is not there: 404. */
export class NotFoundError extends Error {
  constructor(
    readonly kind: string,
    readonly id: string,
  ) {
    super(`there is no ${kind} "${id}"; it may have been removed`);
    this.name = 'NotFoundError';
  }
}

/** An id that is already taken: 409. */
export class TakenError extends Error {
  constructor(
    readonly kind: string,
    readonly id: string,
  ) {
    super(`there is already a ${kind} "${id}"; choose another name`);
    this.name = 'TakenError';
  }
}

/** A save made on a revision that is no longer the newest: 409, with what is there now. */
export class StaleSaveError extends Error {
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
}

/** Something that others rest on and that cannot be removed: 409. */
export class InUseError extends Error {
  constructor(
    readonly kind: string,
    readonly id: string,
    readonly times: number,
  ) {
    super(`this ${kind} is used in ${times} ${times === 1 ? 'recipe' : 'recipes'}; put it away instead, or take it out of them first`);
    this.name = 'InUseError';
  }
}

/** Input whose content cannot be read: 422, each fault with its place. */
export class UnreadableError extends Error {
  constructor(readonly faults: readonly Fault[]) {
    super('nothing was saved; mend what is listed and send it again');
    this.name = 'UnreadableError';
  }
}

/** Too much under way to take more on: 503, try again. */
export class BusyError extends Error {
  constructor(readonly what: string) {
    super(`${what}; nothing was begun. Wait for one to end, or end one, and try again`);
    this.name = 'BusyError';
  }
}

/** A file that cannot be taken: 422, with what to do instead. */
export class RefusedFileError extends Error {
  constructor(why: string) {
    super(`${why}. Nothing was taken in`);
    this.name = 'RefusedFileError';
  }
}

/** More than can be taken at once: 413. */
export class TooLargeError extends Error {
  constructor(readonly most: number) {
    super(`this is more than ${Math.round(most / 1024 / 1024)} MB, the most that can be taken at once; nothing was taken in`);
    this.name = 'TooLargeError';
  }
}

/** The database went away at the very end of a save: 503, and the truth about what is known. */
export class UncertainSaveError extends Error {
  constructor(cause: unknown) {
    super(
      'the database went away while this was being saved: it is saved whole or not at all, and which is not known. Send it again, or look',
      { cause },
    );
    this.name = 'UncertainSaveError';
  }
}

/** A request that is not taken as it comes: a status from 400 to 499, with what to do. */
export class RefusedRequestError extends Error {
  constructor(
    readonly status: number,
    why: string,
  ) {
    super(`${why}; nothing was done`);
    this.name = 'RefusedRequestError';
  }
}

/** A problem that was worked out elsewhere, in a thread, and is only handed on. */
export class ToldError extends Error {
  constructor(readonly problem: ProblemDetails) {
    super(problem.detail);
    this.name = 'ToldError';
  }
}

/** More work than one request may ask for: 422, or 413 where it is of its size. */
export class TooMuchWorkError extends Error {
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
export class FullError extends Error {
  constructor(readonly most: number) {
    super(
      `as many files are kept as may be, or they would weigh more than ${Math.round(most / 1024 / 1024)} MB together; nothing was taken in. Take in or forget one of them first`,
    );
    this.name = 'FullError';
  }
}
