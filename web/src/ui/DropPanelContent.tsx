import { useRef, type ComponentProps, type RefObject } from 'react';
import { Popover } from 'radix-ui';
import { classes } from './classes';
import './menu.css';

export interface DropPanelContentProps extends ComponentProps<typeof Popover.Content> {
  /** The button that it drops from. */
  readonly button: RefObject<HTMLElement | null>;
  readonly onOpenChange: (open: boolean) => void;
}

/** The panel itself, open; the focus goes back to its button, but for a press elsewhere. */
export function DropPanelContent({ button, onOpenChange, className, children, ...content }: DropPanelContentProps) {
  const leftByPress = useRef(false);
  return (
    <Popover.Root open onOpenChange={onOpenChange}>
      <Popover.Anchor virtualRef={button} />
      <Popover.Portal>
        <Popover.Content
          className={classes('menu', className)}
          sideOffset={4}
          onInteractOutside={() => (leftByPress.current = true)}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            if (!leftByPress.current) button.current?.focus();
          }}
          {...content}
        >
          {children}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
