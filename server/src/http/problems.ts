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
