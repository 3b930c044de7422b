import type { ComponentProps } from 'react';
import { classes } from './classes';
import './remark.css';

interface RemarkProps extends ComponentProps<'div'> {
  /** Good where nothing is said; `none` says what is not known. */
  readonly tone?: 'warn' | 'bad' | 'none' | undefined;
}

/** A sentence or two on what was found, in the colour of what it means. */
export function Remark({ tone, className, ...props }: RemarkProps) {
  return <div className={classes('remark', tone, className)} {...props} />;
}
