import type { ComponentProps } from 'react';
import { Slot } from 'radix-ui';
import { classes } from './classes';
import './button.css';

export type ButtonKind = 'plain' | 'main' | 'quiet' | 'icon';

export interface ButtonProps extends Omit<ComponentProps<'button'>, 'title'> {
  /** Plain where nothing is said; one main button a view; quiet is words alone, icon a sign alone. */
  readonly kind?: ButtonKind;
  /** Its one child, a link say, takes the look. */
  readonly asChild?: boolean;
  /** What it does or by which key, said when it is pointed at or reached by Tab. */
  readonly hint?: string;
}

const LOOKS: Readonly<Record<ButtonKind, string>> = { plain: 'btn', main: 'btn btn-main', quiet: 'btn-quiet', icon: 'icon' };

/** Whatever is pressed. */
export function Button({ kind = 'plain', asChild = false, hint, className, ...props }: ButtonProps) {
  const Pressed = asChild ? Slot.Root : 'button';
  // `Hints` says it to whoever sees; a description says it to whoever does not.
  const hinted = hint === undefined || hint === props['aria-label'] ? {} : { 'aria-description': hint };
  return <Pressed className={classes(LOOKS[kind], className)} data-hint={hint} {...hinted} {...props} />;
}
