import type { ComponentProps } from 'react';
import { classes } from './classes';
import './field.css';

/** One of a few, the browser's own way: also with a thumb. */
export function Select({ className, ...props }: ComponentProps<'select'>) {
  return <select className={classes('field', className)} {...props} />;
}
