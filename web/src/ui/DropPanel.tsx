import { useRef, useState, type ReactElement, type ReactNode } from 'react';
import { Slot } from 'radix-ui';
import { later } from './later';
import type { DropPanelContentProps } from './DropPanelContent';
import { Arriving } from './Arriving';

interface DropPanelProps extends Pick<DropPanelContentProps, 'side' | 'className' | 'onEscapeKeyDown' | 'onPointerDownOutside'> {
  /** The button that it drops from. */
  readonly trigger: ReactElement;
  /** What is in it, for those who do not see it. */
  readonly label?: string;
  readonly align?: 'start' | 'center' | 'end';
  /** Where another than its button opens or closes it. */
  readonly open?: boolean;
  readonly onOpenChange?: (open: boolean) => void;
  readonly children: ReactNode;
}

/** Its placing is most of its code: that comes when one is opened for the first time, or when there is time. */
export const DROP_PANEL = later(async () => ({ default: (await import('./overlays')).DropPanelContent }));

/** A small panel under the button that opens it; Escape and a press beside it close it. */
export function DropPanel({ trigger, label, align = 'start', open: told, onOpenChange, children, ...content }: DropPanelProps) {
  const [own, setOwn] = useState(false);
  const button = useRef<HTMLElement>(null);
  const open = told ?? own;
  const change = (next: boolean) => {
    setOwn(next);
    onOpenChange?.(next);
  };
  return (
    <>
      <Slot.Root ref={button} aria-haspopup="dialog" aria-expanded={open} onClick={() => change(!open)}>
        {trigger}
      </Slot.Root>
      {open && (
        <Arriving>
          <DROP_PANEL.View button={button} onOpenChange={change} align={align} aria-label={label} {...content}>
            {children}
          </DROP_PANEL.View>
        </Arriving>
      )}
    </>
  );
}
