import { useSyncExternalStore } from 'react';

export type Theme = 'light' | 'dark';

const KEY = 'portiona-theme';
const system = window.matchMedia('(prefers-color-scheme: dark)');
const listeners = new Set<() => void>();

/** The chosen theme, or the system's where none was chosen. */
function currentTheme(): Theme {
  const chosen = localStorage.getItem(KEY);
  if (chosen === 'light' || chosen === 'dark') return chosen;
  return system.matches ? 'dark' : 'light';
}

/** Puts the theme on the page; called once before the first paint and at every change. */
export function applyTheme(): void {
  document.documentElement.dataset.theme = currentTheme();
  for (const listener of listeners) listener();
}

system.addEventListener('change', applyTheme);

/** The theme and a way to change it. */
export function useTheme(): { readonly theme: Theme; readonly toggle: () => void } {
  const theme = useSyncExternalStore((listener) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }, currentTheme);
  const toggle = () => {
    localStorage.setItem(KEY, theme === 'dark' ? 'light' : 'dark');
    applyTheme();
  };
  return { theme, toggle };
}
