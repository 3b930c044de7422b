import type { LinePlace } from '@portiona/core';
import { createContext, useContext } from 'react';

const Mark = createContext<LinePlace | undefined>(undefined);

/** Where lines that are being dragged would be put. */
export const DropMark = Mark.Provider;

/** Whether lines being dragged would be put before the line at a place. */
export function useIsDropPlace({ part, line }: LinePlace): boolean {
  const mark = useContext(Mark);
  return mark?.part === part && mark.line === line;
}
