import { useEffect, useRef } from 'react';
import { isTyping } from './useKeys';

/**
 * While the key is down, Space and Escape let it go wherever the focus stands: on a button, a link, a choice, in a dialog. In
 * a field that is typed into Escape does, and Space only where `inFields`.
 */
export function useKeyUp(down: boolean, inFields: boolean, keyUp: () => void): void {
  const latest = useRef(keyUp);
  latest.current = keyUp;
  useEffect(() => {
    if (!down) return;
    const listen = (event: KeyboardEvent) => {
      if (event.key !== ' ' && event.key !== 'Escape') return;
      if (event.key === ' ' && isTyping(event.target) && !inFields) return;
      event.preventDefault();
      event.stopPropagation();
      if (!event.repeat) latest.current();
    };
    window.addEventListener('keydown', listen, { capture: true });
    return () => window.removeEventListener('keydown', listen, { capture: true });
  }, [down, inFields]);
}
