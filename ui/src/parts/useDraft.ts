import { useState } from 'react';

/** What is typed and not kept yet. */
export interface Draft<T> {
  value: T;
  /** Whether it stood here already when the page was opened. */
  left: boolean;
  change: (value: T) => void;
  /** Goes back to what is kept. */
  drop: () => void;
  /** Lets go of it once it is kept. */
  forget: () => void;
}

interface Stored<T> {
  of: number;
  value: T;
}

function stored<T>(key: string, of: number): T | undefined {
  try {
    const found = JSON.parse(localStorage.getItem(key) ?? 'null') as Stored<T> | null;
    return found?.of === of ? found.value : undefined;
  } catch {
    return undefined;
  }
}

/**
 * Returns what was typed last in this browser, which outlives a reload and a crash until it is kept.
 *
 * @param name of the record
 * @param revision that it changes; what was typed on another is let go
 * @param fresh what to begin with
 */
export function useDraft<T>(name: string, revision: number, fresh: () => T): Draft<T> {
  const key = `tubrin.draft.${name}`;
  const [start] = useState(() => stored<T>(key, revision));
  const [value, setValue] = useState<T>(() => start ?? fresh());
  const [left, setLeft] = useState(start !== undefined);
  return {
    value,
    left,
    change: (changed) => {
      localStorage.setItem(key, JSON.stringify({ of: revision, value: changed }));
      setValue(changed);
    },
    drop: () => {
      localStorage.removeItem(key);
      setValue(fresh());
      setLeft(false);
    },
    forget: () => {
      localStorage.removeItem(key);
      setLeft(false);
    },
  };
}
