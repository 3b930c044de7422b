import type { ComponentProps, ReactNode } from 'react';
import { classes } from './classes';
import './field.css';

interface FieldProps extends ComponentProps<'label'> {
  /** What is written or chosen in it. */
  readonly label: ReactNode;
}

/** Something to fill in, under its name. */
export function Field({ label, className, children, ...props }: FieldProps) {
  return (
    <label className={classes('labelled', className)} {...props}>
      {label}
      {children}
    </label>
  );
}
