import { useEffect, useState } from 'react';
import { flushSync } from 'react-dom';

/** Whether the page is being put onto paper: told before it is laid out for that, and after. */
export function usePrinting(): boolean {
  const [printing, setPrinting] = useState(false);
  useEffect(() => {
    // It is laid out at once: what is shown later does not reach the paper.
    const begin = () => flushSync(() => setPrinting(true));
    const end = () => setPrinting(false);
    window.addEventListener('beforeprint', begin);
    window.addEventListener('afterprint', end);
    return () => {
      window.removeEventListener('beforeprint', begin);
      window.removeEventListener('afterprint', end);
    };
  }, []);
  return printing;
}
