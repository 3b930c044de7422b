import type { ReactNode } from 'react';
import { Dialog } from 'radix-ui';

/** A dialog over the page, with its title and a plain way out. */
export function Modal({
  open,
  onClose,
  title,
  hint,
  onClosed,
  children,
}: {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly title: string;
  readonly hint?: string;
  /** Once it is gone, before the focus goes back to where it was: prevented, it stays. */
  readonly onClosed?: (event: Event) => void;
  readonly children: ReactNode;
}) {
  return (
    <Dialog.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content
          className="modal"
          {...(onClosed ? { onCloseAutoFocus: onClosed } : {})}
          {...(hint === undefined ? { 'aria-describedby': undefined } : {})}
        >
          <Dialog.Title className="modal-title">{title}</Dialog.Title>
          {hint !== undefined && <Dialog.Description className="muted mb-3">{hint}</Dialog.Description>}
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
