import type { ReactNode } from 'react';
import { Tabs as Sides } from 'radix-ui';
import './segmented.css';

interface TabsProps<T extends string> {
  readonly value: T;
  readonly onChange: (value: T) => void;
  readonly className?: string;
  /** Holds one `TabList` and the sides, each a `TabPanel`. */
  readonly children: ReactNode;
}

/** A place with several sides, one in sight. */
export function Tabs<T extends string>({ value, onChange, className, children }: TabsProps<T>) {
  return (
    <Sides.Root className={className} value={value} onValueChange={(next) => onChange(next as T)}>
      {children}
    </Sides.Root>
  );
}

interface TabListProps<T extends string> {
  readonly label: string;
  readonly options: readonly (readonly [value: T, words: ReactNode])[];
}

/** The sides by name, to be turned by press or arrow keys. */
export function TabList<T extends string>({ label, options }: TabListProps<T>) {
  return (
    <Sides.List className="seg" aria-label={label}>
      {options.map(([one, words]) => (
        <Sides.Trigger key={one} value={one}>
          {words}
        </Sides.Trigger>
      ))}
    </Sides.List>
  );
}

/** One side. */
export function TabPanel({ value, children }: { readonly value: string; readonly children: ReactNode }) {
  return (
    <Sides.Content value={value} tabIndex={-1}>
      {children}
    </Sides.Content>
  );
}
