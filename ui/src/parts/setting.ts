import { useSyncExternalStore } from 'react';

/** A setting of this browser: what it is now, for whoever looks, and another one. */
export interface Setting<T> {
  now: () => T;
  set: (value: T) => void;
  use: () => T;
}

/** Returns a setting that is kept under a key, as a text; whoever uses it sees it change. */
export function setting<T>(key: string, read: (stored: string | null) => T, write: (value: T) => string): Setting<T> {
  const listeners = new Set<() => void>();
  let value: T | undefined;
  const now = () => {
    value ??= read(localStorage.getItem(key));
    return value;
  };
  const listen = (listener: () => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  };
  return {
    now,
    set: (next) => {
      value = next;
      localStorage.setItem(key, write(next));
      for (const listener of listeners) listener();
    },
    use: () => useSyncExternalStore(listen, now),
  };
}
