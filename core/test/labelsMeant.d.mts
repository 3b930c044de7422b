import type { ReadLabel } from '../src/index.js';

export interface MeantLabel {
  readonly name: string;
  readonly text: string;
  readonly unseen: boolean;
}
export interface LabelFare {
  readonly faults: readonly string[];
  readonly silent: readonly string[];
  readonly right: boolean;
  readonly wrongUnmarked: boolean;
  readonly doubtedRight: number;
}
export function readLabelsMeant(): readonly MeantLabel[];
export function labelFares(meant: MeantLabel, read: ReadLabel): LabelFare;
