import type { ComponentProps } from 'react';
import { classes } from './classes';
import './field.css';

/** A line to write in. */
export function Input({ className, ...props }: ComponentProps<'input'>) {
  return <input className={classes('field', className)} {...props} />;
}
