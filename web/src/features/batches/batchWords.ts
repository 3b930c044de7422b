import { dayText, type BatchCause } from '@portiona/core';
import type { LoggedBatchDto, LoggedYieldDto } from '../../api/api.gen';

/** The day of a batch as a row of the log says it: "Thu 26 November 2026". */
export function batchDay(date: string): string {
  return new Date(`${date}T12:00:00Z`).toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric', month: 'long', timeZone: 'UTC' });
}

/** A batch in a sentence: "batch of 26 Nov". */
export function batchName(date: string): string {
  return `batch of ${dayText(date, false)}`;
}

/** Who cooked it and what was different, in the words of whoever did. */
export function batchNote({ by, note, variant, different, cooking }: LoggedBatchDto): string {
  const said = [variant === null ? '' : `“${variant}”`, note ?? ''].filter(Boolean).join(', ');
  const done = said === '' && different > 0 ? `${different === 1 ? 'one line' : `${different} lines`} weighed or otherwise` : said;
  const rest = [cooking ? 'being cooked' : '', done].filter(Boolean).join(': ');
  return by === null ? rest : rest === '' ? by : `${by}: ${rest}`;
}

export const CAUSE_WORDS: Readonly<Record<BatchCause, string>> = {
  weighed: 'Amounts weighed',
  swapped: 'Swapped, left out, more',
  'came out': 'What came out',
  paid: 'Prices paid',
};

/** Where a yield lies against its limits. */
export function isUnusual({ factor, low, high }: Pick<LoggedYieldDto, 'factor' | 'low' | 'high'>): boolean {
  return factor !== null && low !== null && high !== null && (factor < low || factor > high);
}

/** What a lane is drawn over: a little more than everything in it. */
export function laneRange(amounts: readonly number[]): readonly [low: number, high: number] {
  if (amounts.length === 0) return [0, 1];
  const [low, high] = [Math.min(...amounts), Math.max(...amounts)];
  const room = Math.max((high - low) * 0.22, Math.abs(high) * 0.01, 1e-9);
  return [low - room, high + room];
}
