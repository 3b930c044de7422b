import { useState, type ReactNode } from 'react';
import { later } from './later';
import { Arriving } from './Arriving';
import './modal.css';

export interface ModalProps {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly title: string;
  readonly hint?: string;
  /** Once it is gone, before the focus goes back to where it was: prevented, it stays. */
  readonly onClosed?: (event: Event) => void;
  readonly children: ReactNode;
}

/** No page opens with a dialog: its code comes when one is opened for the first time, or when there is time. */
export const MODAL = later(async () => ({ default: (await import('./overlays')).ModalContent }));

/**
 * A dialog over the page, with its title and a plain way out.
 *
 * @param meanwhile what stands there until its code has come: where somebody types at once
 */
export function Modal({ meanwhile = null, ...props }: ModalProps & { readonly meanwhile?: ReactNode }) {
  // Kept once it was open: its end is shown too.
  const [asked, setAsked] = useState(props.open);
  if (props.open && !asked) setAsked(true);
  if (!asked) return null;
  return (
    <Arriving meanwhile={props.open && meanwhile !== null ? <div className="modal">{meanwhile}</div> : null}>
      <MODAL.View {...props} />
    </Arriving>
  );
}
