import type { ComponentProps } from 'react';
import { classes } from './classes';
import './menu.css';

/** A list that lies over the page: things to choose from. */
export function Menu({ className, ...props }: ComponentProps<'div'>) {
  return <div className={classes('menu', className)} {...props} />;
}

/** One thing to choose. */
export function MenuItem({ className, ...props }: ComponentProps<'button'>) {
  return <button className={classes('menu-item', className)} {...props} />;
}
