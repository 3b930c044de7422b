import { useSyncExternalStore } from 'react';

/** Whether the window is at least so many pixels wide. */
export function useWide(least: number): boolean {
  const query = `(width >= ${least}px)`;
  return useSyncExternalStore(
    (changed) => {
      const media = window.matchMedia(query);
      media.addEventListener('change', changed);
      return () => media.removeEventListener('change', changed);
    },
    () => window.matchMedia(query).matches,
  );
}
