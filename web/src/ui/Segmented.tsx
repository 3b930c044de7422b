import type { ReactNode } from 'react';
import { ToggleGroup } from 'radix-ui';
import { classes } from './classes';
import './segmented.css';

interface SegmentedProps<T extends string> {
  /** What is chosen. */
  readonly label: string;
  readonly value: T;
  /** Each value with its words, and a hint where they are short. */
  readonly options: readonly (readonly [value: T, words: ReactNode, hint?: string])[];
  readonly onChange: (value: T) => void;
  /** As wide as its place, shared equally. */
  readonly wide?: boolean;
  readonly className?: string;
}

/** One of a few that are all in sight; there is always one chosen. */
export function Segmented<T extends string>({ label, value, options, onChange, wide = false, className }: SegmentedProps<T>) {
  return (
    <ToggleGroup.Root
      type="single"
      className={classes('seg', wide && 'wide', className)}
      aria-label={label}
      value={value}
      // Pressed again, a toggle lets go: here one stays chosen.
      onValueChange={(next) => next !== '' && onChange(next as T)}
    >
      {options.map(([one, words, hint]) => (
        <ToggleGroup.Item key={one} value={one} title={hint}>
          {words}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
