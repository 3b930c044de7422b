import { Dialog } from 'radix-ui';
import type { ModalProps } from './Modal';
import './modal.css';

/** The dialog itself. */
export function ModalContent({ open, onClose, title, hint, onClosed, children }: ModalProps) {
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
