import { Toast } from 'radix-ui';
import { Button } from './Button';
import type { Message } from './Toasts';
import './toasts.css';

interface ToastListProps {
  readonly messages: readonly Message[];
  readonly onGone: (id: number) => void;
}

/** What is being said in passing, at the foot of the page, each until it has been read. */
export function ToastList({ messages, onGone }: ToastListProps) {
  return (
    <Toast.Provider swipeDirection="down" duration={7000}>
      {messages.map(({ id, text, action }) => (
        <Toast.Root key={id} className="toast" onOpenChange={(open) => !open && onGone(id)}>
          <Toast.Description>{text}</Toast.Description>
          {action && (
            <Toast.Action asChild altText={action.label} onClick={action.run}>
              <Button kind="quiet">{action.label}</Button>
            </Toast.Action>
          )}
        </Toast.Root>
      ))}
      <Toast.Viewport className="toasts" />
    </Toast.Provider>
  );
}
