import { useEffect, useRef } from 'react';

export type KeyMap = Record<string, (event: KeyboardEvent) => void>;

/** Whether something is typed or chosen into what has the focus. */
export const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName)) &&
  !(target instanceof HTMLInputElement && ['checkbox', 'radio', 'button', 'file'].includes(target.type));

/**
 * Listens for single keys on the whole page while no field has the focus and no dialog is open. Enter and Space stay with
 * a button or link that has the focus.
 */
export function useKeys(keys: KeyMap): void {
  const latest = useRef(keys);
  latest.current = keys;
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (event.defaultPrevented || isTyping(event.target) || document.querySelector('dialog[open]')) return;
      if ((event.ctrlKey || event.metaKey || event.altKey) && event.key !== 'k') return;
      const onControl = event.target instanceof Element && event.target.closest('button, a, [role=radio], summary');
      if (onControl && (event.key === 'Enter' || event.key === ' ')) return;
      const name = event.key === ' ' ? 'Space' : event.key.length === 1 ? event.key.toLowerCase() : event.key;
      const act = latest.current[(event.ctrlKey || event.metaKey ? 'Ctrl+' : '') + name];
      if (act) {
        event.preventDefault();
        act(event);
      }
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
}
