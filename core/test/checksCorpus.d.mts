import type { Finding, Food, LabelNutrient } from '../src/index.js';

export interface CorpusCase {
  readonly part: string;
  readonly dish: string;
  readonly kind: 'clean' | 'fault' | 'decoy';
  readonly change: string;
  readonly expect: readonly Pick<Finding, 'code' | 'at'>[];
  readonly tempts: readonly string[];
  readonly kitchen: object;
}
export interface CorpusScore {
  readonly faults: number;
  readonly found: number;
  readonly clean: number;
  readonly falseOnClean: number;
  readonly decoys: number;
  readonly tempted: number;
  readonly otherOnDecoys: number;
  readonly besideFaults: number;
  readonly recall: number;
  readonly falsePerClean: number;
  readonly misses: readonly {
    readonly one: CorpusCase;
    readonly kind: 'missed' | 'beside' | 'false' | 'decoy';
    readonly found: readonly Finding[];
  }[];
}
/** Figures of a serving that a change may be stated as a share of. */
export type ShareFigures = Readonly<Record<'kcal' | 'kJ' | 'protein' | 'fat' | 'fibre' | 'sugars' | 'salt' | 'carbs' | 'cost', number>>;
export function shareFigures(of: (figure: LabelNutrient) => number, cost: number): ShareFigures;
export const CORPUS_PARTS: readonly string[];
export function corpusCases(part: string, foods: readonly Food[], figuresOf: (kitchen: object) => ShareFigures): CorpusCase[];
export function scoreOf(cases: readonly CorpusCase[], findingsOf: (one: CorpusCase) => readonly Finding[]): CorpusScore;
