import { createContext, useCallback, useContext, useState, type ReactNode } from 'react';
import { later } from './later';
import { Arriving } from './Arriving';
import { Button } from './Button';
import './toasts.css';

export interface Message {
  readonly id: number;
  readonly text: string;
  readonly action?: { readonly label: string; readonly run: () => void };
}

type Say = (text: string, action?: Message['action']) => void;

const Saying = createContext<Say>(() => undefined);

/** Nothing is said before something has happened: the list comes after the page. */
export const TOAST_LIST = later(async () => ({ default: (await import('./overlays')).ToastList }));

/** Says something in passing, with one thing to do about it. */
export function useToast(): Say {
  return useContext(Saying);
}

export function Toasts({ children }: { readonly children: ReactNode }) {
  const [messages, setMessages] = useState<readonly Message[]>([]);
  const [said, setSaid] = useState(false);
  const say = useCallback<Say>((text, action) => {
    setSaid(true);
    setMessages((old) => [...old.slice(-2), { id: Date.now() + Math.random(), text, ...(action ? { action } : {}) }]);
  }, []);
  const drop = useCallback((id: number) => setMessages((old) => old.filter((one) => one.id !== id)), []);
  return (
    <Saying.Provider value={say}>
      {children}
      {said && (
        <Arriving meanwhile={<Plainly messages={messages} />} instead={<Plainly messages={messages} />}>
          <TOAST_LIST.View messages={messages} onGone={drop} />
        </Arriving>
      )}
    </Saying.Provider>
  );
}

/** What is said, as long as the list has not come: nothing that is said is dropped. */
function Plainly({ messages }: { readonly messages: readonly Message[] }) {
  return (
    <ol className="toasts" role="status">
      {messages.map(({ id, text, action }) => (
        <li key={id} className="toast">
          {text}
          {action && (
            <Button kind="quiet" onClick={action.run}>
              {action.label}
            </Button>
          )}
        </li>
      ))}
    </ol>
  );
}
