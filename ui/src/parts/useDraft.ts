import { useState } from 'react';
import { draftOf } from './drafts';

/** What is typed and not saved yet. */
export interface Draft<T> {
  value: T;
  change: (value: T) => void;
  /** Goes back to what is saved. */
  drop: () => void;
}

/**
 * Returns what was typed last in this browser, which outlives a reload and a crash until it is saved.
 *
 * @param name of the record
 * @param revision that it changes; what was typed on another is let go
 * @param fresh what to begin with
 */
export function useDraft<T>(name: string, revision: number, fresh: () => T): Draft<T> {
  const [kept] = useState(() => draftOf<T>(name, revision));
  const [value, setValue] = useState<T>(() => kept.read() ?? fresh());
  return {
    value,
    change: (changed) => {
      kept.keep(changed);
      setValue(changed);
    },
    drop: () => {
      kept.forget();
      setValue(fresh());
    },
  };
}
