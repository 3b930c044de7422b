import type { ReactNode } from 'react';
import { useMay, type Right } from './useMe';

interface IfMayProps {
  /** What one has to be allowed in the kitchen at hand. */
  readonly right: Right;
  readonly children: ReactNode;
}

/** What is pressed to change something, for whom the server would let do it; for others it is not there. */
export function IfMay({ right, children }: IfMayProps) {
  return useMay(right) ? children : null;
}
