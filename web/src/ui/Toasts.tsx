import { createContext, useCallback, useContext, useMemo, useState, type ReactNode } from 'react';
import { Toast } from 'radix-ui';

interface Message {
  readonly id: number;
  readonly text: string;
  readonly action?: { readonly label: string; readonly run: () => void };
}

type Say = (text: string, action?: Message['action']) => void;

const Saying = createContext<Say>(() => undefined);

/** Says something in passing, with one thing to do about it. */
export function useToast(): Say {
  return useContext(Saying);
}

export function Toasts({ children }: { readonly children: ReactNode }) {
  const [messages, setMessages] = useState<readonly Message[]>([]);
  const say = useCallback<Say>(
    (text, action) => setMessages((old) => [...old.slice(-2), { id: Date.now() + Math.random(), text, ...(action ? { action } : {}) }]),
    [],
  );
  const drop = (id: number) => setMessages((old) => old.filter((one) => one.id !== id));
  return (
    <Saying.Provider value={useMemo(() => say, [say])}>
      <Toast.Provider swipeDirection="down" duration={7000}>
        {children}
        {messages.map(({ id, text, action }) => (
          <Toast.Root key={id} className="toast" onOpenChange={(open) => !open && drop(id)}>
            <Toast.Description>{text}</Toast.Description>
            {action && (
              <Toast.Action className="btn-quiet" altText={action.label} onClick={action.run}>
                {action.label}
              </Toast.Action>
            )}
          </Toast.Root>
        ))}
        <Toast.Viewport className="toasts" />
      </Toast.Provider>
    </Saying.Provider>
  );
}
