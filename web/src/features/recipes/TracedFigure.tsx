import type { ReactNode } from 'react';
import type { RecipeFigures, WorkedFigure } from '@portiona/core';
import { useTracing } from './tracing';

interface TracedFigureProps {
  readonly figure: WorkedFigure;
  /** Undefined: there is nothing to trace. */
  readonly figures: RecipeFigures | undefined;
  readonly of: string;
  readonly className?: string;
  readonly children: ReactNode;
}

/** A figure of a dish as it would be; a press says where it comes from. */
export function TracedFigure({ figure, figures, of, className = '', children }: TracedFigureProps) {
  const trace = useTracing();
  if (!figures) return <span className={className}>{children}</span>;
  return (
    <button type="button" className={`figbtn ${className}`} title={`Working of it in ${of}`} onClick={() => trace({ figure, figures, of })}>
      {children}
    </button>
  );
}
