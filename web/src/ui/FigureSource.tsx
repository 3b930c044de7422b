import type { ReactNode } from 'react';
import { Popover } from 'radix-ui';
import './menu.css';
import './figureSource.css';

interface FigureSourceProps {
  /** What the figure is, for those who do not see it. */
  readonly name: string;
  /** How it came about, a step a line. */
  readonly steps: readonly ReactNode[];
  /** Where it came from, as links. */
  readonly link?: ReactNode;
  readonly className?: string;
  readonly children: ReactNode;
}

/** A figure outside a dish's own working that opens how it came about, and leads to where it came from. */
export function FigureSource({ name, steps, link, className = '', children }: FigureSourceProps) {
  return (
    <Popover.Root>
      <Popover.Trigger className={`source-figure ${className}`}>
        {children}
        <span className="sr">: how {name} came about</span>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          className="menu source-steps"
          align="end"
          sideOffset={4}
          collisionPadding={8}
          aria-label={`How ${name} came about`}
        >
          <ol>
            {steps.map((step, i) => (
              <li key={i}>{step}</li>
            ))}
          </ol>
          {link}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
