import { useSyncExternalStore } from 'react';

export type Theme = 'day' | 'lamp';

const KEY = 'tubrin.theme';
const listeners = new Set<() => void>();

function current(): Theme {
  return document.documentElement.dataset.theme === 'lamp' ? 'lamp' : 'day';
}

export function toggleTheme(): void {
  const next: Theme = current() === 'lamp' ? 'day' : 'lamp';
  document.documentElement.dataset.theme = next;
  localStorage.setItem(KEY, next);
  for (const listener of listeners) listener();
}

export function useTheme(): Theme {
  return useSyncExternalStore((listener) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }, current);
}
