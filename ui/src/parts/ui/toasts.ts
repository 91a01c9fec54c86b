import { useSyncExternalStore } from 'react';

/** Something that was done, or could not be. */
export interface Said {
  id: number;
  words: string;
  detail?: string;
  /** Whether it went wrong: it then stays until it is closed. */
  wrong: boolean;
}

const MOST = 3;
let said: readonly Said[] = [];
let next = 1;
const listeners = new Set<() => void>();

function set(changed: readonly Said[]): void {
  said = changed;
  for (const listener of listeners) listener();
}

const add = (words: string, detail: string | undefined, wrong: boolean) =>
  set([...said.slice(1 - MOST), { id: next++, words, wrong, ...(detail ? { detail } : {}) }]);

/** Says that something was done. */
export const tell = (words: string, detail?: string): void => add(words, detail, false);

/** Says that something could not be done, until it is closed. */
export const warn = (words: string, detail?: string): void => add(words, detail, true);

export const unsay = (id: number): void => set(said.filter((one) => one.id !== id));

/** Lets go of all that was said. */
export const forget = (): void => set([]);

export const useSaid = (): readonly Said[] =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => said,
  );
