import type { ComponentProps } from 'react';
import { classes } from './classes';
import './chip.css';

interface ChipButtonProps extends ComponentProps<'button'> {
  readonly tone?: 'warn' | 'bad' | undefined;
}

/** A remark that can be pressed: it offers something, or is on or off. */
export function ChipButton({ tone, className, ...props }: ChipButtonProps) {
  return <button className={classes('chip', tone, className)} {...props} />;
}
