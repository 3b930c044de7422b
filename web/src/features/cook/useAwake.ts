import { useEffect, useState } from 'react';

/** Keeps the screen on while a page is in sight. @returns whether it does */
export function useAwake(): boolean {
  const [awake, setAwake] = useState(false);
  useEffect(() => {
    if (!('wakeLock' in navigator)) return undefined;
    let lock: WakeLockSentinel | undefined;
    let over = false;
    const take = async () => {
      if (document.visibilityState !== 'visible') return;
      try {
        lock = await navigator.wakeLock.request('screen');
        if (over) return void lock.release();
        setAwake(true);
        lock.addEventListener('release', () => setAwake(false));
      } catch {
        // A browser that does not let it, or a battery that is low: the screen goes off as ever.
        setAwake(false);
      }
    };
    const again = () => void take();
    void take();
    document.addEventListener('visibilitychange', again);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', again);
      void lock?.release();
    };
  }, []);
  return awake;
}
