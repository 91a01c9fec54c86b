import { useEffect, useRef } from 'react';

/**
 * Takes the focus to what has just been opened: the field named, else the element itself. When it is left without the focus having
 * gone elsewhere, the focus goes back to where it came from.
 */
export function useOpening<T extends HTMLElement>(field?: string) {
  const opened = useRef<T>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: it opens once
  useEffect(() => {
    const before = document.activeElement;
    const first = field && opened.current?.closest('form')?.querySelector<HTMLElement>(`[data-field="${field}"]`);
    (first || opened.current)?.focus();
    return () => {
      requestAnimationFrame(() => {
        const lost = document.activeElement === null || document.activeElement === document.body;
        if (lost && before instanceof HTMLElement && before.isConnected) before.focus();
      });
    };
  }, []);
  return opened;
}
