import type { Line } from '../src/index.js';

export interface MeantLine {
  readonly text: string;
  readonly amounts: readonly string[];
  readonly units: readonly string[];
  readonly foods: readonly string[];
  readonly note: string;
}
export interface Fare {
  readonly amount: boolean;
  readonly unit: boolean;
  readonly food: boolean;
  readonly note: boolean;
  readonly wrongUnmarked: boolean;
  readonly matchedUnmarked: boolean;
  readonly unsureButRight: boolean;
  readonly said: string;
}
export function readMeant(): readonly MeantLine[];
export function faresAs(meant: MeantLine, line: Partial<Line>, unsure: boolean): Fare;
export function shares(
  fares: readonly Fare[],
): Readonly<Record<'lines' | 'amount' | 'unit' | 'food' | 'note' | 'right' | 'wrongUnmarked' | 'unsureButRight', number>>;
