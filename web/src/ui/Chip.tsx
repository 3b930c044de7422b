import type { ComponentProps } from 'react';
import { classes } from './classes';
import './chip.css';

export interface ChipProps extends ComponentProps<'span'> {
  readonly tone?: 'warn' | 'bad' | undefined;
}

/** A remark of a word or two beside what it is about. */
export function Chip({ tone, className, ...props }: ChipProps) {
  return <span className={classes('chip', tone, className)} {...props} />;
}
