import { createContext, useCallback, useContext, Suspense, useState, type ReactNode } from 'react';
import { later } from './later';

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
        <Suspense fallback={null}>
          <TOAST_LIST.View messages={messages} onGone={drop} />
        </Suspense>
      )}
    </Saying.Provider>
  );
}
