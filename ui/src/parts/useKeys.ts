import { useHotkeys } from 'react-hotkeys-hook';

export type KeyMap = Record<string, (event: KeyboardEvent) => void>;

/** Whether something is typed into what has the focus. */
export const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA'].includes(target.tagName)) &&
  !(target instanceof HTMLInputElement && ['checkbox', 'radio', 'button', 'file'].includes(target.type));

/** What takes the keys for itself while it is open. */
const OPEN = '[role=dialog], [role=alertdialog], [role=listbox], [role=menu]';
/** What takes letters and arrows for itself while it has the focus. */
const CHOOSER = '[role=combobox], [role=slider]';
/** What Enter and Space press while it has the focus. */
const PRESSED = 'button, a, [role=radio]';

function isElsewhere(event: KeyboardEvent): boolean {
  const target = event.target instanceof Element ? event.target : undefined;
  const presses = event.key === 'Enter' || event.key === ' ';
  const others = (event.ctrlKey || event.metaKey || event.altKey) && event.key !== 'k';
  return (
    others ||
    event.defaultPrevented ||
    isTyping(event.target) ||
    Boolean(target?.closest(CHOOSER)) ||
    (presses && Boolean(target?.closest(PRESSED))) ||
    document.querySelector(OPEN) !== null
  );
}

/**
 * Listens for single keys on the whole page while no field has the focus and nothing lies open over it. Enter and Space stay
 * with a button or link that has the focus.
 */
export function useKeys(keys: KeyMap): void {
  const act = (event: KeyboardEvent) => {
    const name = event.key === ' ' ? 'Space' : event.key.length === 1 ? event.key.toLowerCase() : event.key;
    const does = keys[(event.ctrlKey || event.metaKey ? 'Ctrl+' : '') + name];
    if (!does || isElsewhere(event)) return;
    event.preventDefault();
    does(event);
  };
  // Any key as it is engraved; which one counts is the map's matter.
  useHotkeys('*', act, { ignoreModifiers: true, enableOnFormTags: ['radio'] });
}
