import type { ComponentProps } from 'react';
import { classes } from './classes';
import './ledger.css';

/** Rows under heads in columns they share; its class says how wide they are. */
export function Ledger({ className, ...props }: ComponentProps<'div'>) {
  return <div className={classes('ledger', className)} {...props} />;
}

interface LedgerRowProps extends ComponentProps<'div'> {
  /** The heads stand in the first row. */
  readonly heads?: boolean;
}

/** One row: its children stand in the ledger's columns. */
export function LedgerRow({ heads = false, className, ...props }: LedgerRowProps) {
  return <div className={classes('ledger-row', heads && 'heads', className)} {...props} />;
}

/** What the rows below have in common. */
export function LedgerGroup({ className, ...props }: ComponentProps<'h2'>) {
  return <h2 className={classes('ledger-group', className)} {...props} />;
}
