import { createContext, useContext } from 'react';
import type { RecipeFigures, WorkedFigure } from '@portiona/core';

/** A figure of a dish as it would be: which, of what figures, and what the dish is called there. */
export interface Traced {
  readonly figure: WorkedFigure;
  readonly figures: RecipeFigures;
  /** "the variant “cheaper”", "the dish with 335 g couscous". */
  readonly of: string;
}

const Tracing = createContext<(traced: Traced) => void>(() => undefined);

/** Shows where a figure of a dish as it would be comes from. */
export const TracingProvider = Tracing.Provider;

export function useTracing(): (traced: Traced) => void {
  return useContext(Tracing);
}
