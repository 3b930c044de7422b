import type { GivenOfReceipt, ReadReceipt } from '../src/index.js';

export interface MeantReceipt {
  readonly name: string;
  readonly text: string;
  readonly given: GivenOfReceipt;
  readonly rows: readonly object[];
  readonly unseen: boolean;
}
export interface ReceiptFare {
  readonly rows: number;
  readonly right: number;
  readonly silent: number;
  readonly faults: readonly string[];
}
interface Readers {
  readonly isTill: (text: string) => boolean;
  readonly delimiterOf: (text: string, quote: string) => string;
  readonly quoteOf: (text: string) => string;
}
export function readReceiptsMeant(): readonly MeantReceipt[];
export function rowsOfText(text: string, readers: Readers): readonly (readonly string[])[];
export function receiptFares(expected: readonly object[], read: ReadReceipt): ReceiptFare;
