import { QueryFailedError } from 'typeorm';

const UNIQUE_VIOLATION = '23505';

/** Whether the database refused a row because its key is already there. */
export function isTaken(error: unknown): boolean {
  if (!(error instanceof QueryFailedError)) return false;
  const cause: unknown = error.driverError;
  return typeof cause === 'object' && cause !== null && 'code' in cause && cause.code === UNIQUE_VIOLATION;
}
