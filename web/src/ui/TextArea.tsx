import type { ComponentProps } from 'react';
import { classes } from './classes';
import './field.css';

/** Several lines to write in. */
export function TextArea({ className, ...props }: ComponentProps<'textarea'>) {
  return <textarea className={classes('field', className)} {...props} />;
}
