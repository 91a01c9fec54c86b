/** What is typed and not saved yet, kept in this browser through a reload and a crash. */
export interface Drafts<T> {
  read: () => T | undefined;
  keep: (value: T) => void;
  forget: () => void;
}

interface Stored<T> {
  of: number;
  value: T;
}

/**
 * Returns the place of a draft.
 *
 * @param name of the record; without one nothing is kept
 * @param revision that it changes; what was typed on another is let go
 */
export function draftOf<T>(name: string | undefined, revision: number): Drafts<T> {
  if (name === undefined) return { read: () => undefined, keep: () => undefined, forget: () => undefined };
  const key = `tubrin.draft.${name}`;
  return {
    read: () => {
      try {
        const found = JSON.parse(localStorage.getItem(key) ?? 'null') as Stored<T> | null;
        return found?.of === revision ? found.value : undefined;
      } catch {
        return undefined;
      }
    },
    keep: (value) => {
      try {
        localStorage.setItem(key, JSON.stringify({ of: revision, value }));
      } catch {
        // The storage is full or closed: it still stands on the page.
      }
    },
    forget: () => localStorage.removeItem(key),
  };
}
