/** Something that the view in hand can do, by what stands on its button or link. */
export interface Act {
  name: string;
  press: () => void;
}

const DOERS = '#main button:not(:disabled), #main a[href], #main summary, #main [role=tab]';
const KEYS = 'kbd, .sr-only';

/** Returns the acts of the view in hand, each name once: those of the next move, then the others, the figures of tables last. */
export function actsOfView(): Act[] {
  // A view may be drawn anew while the list is open: what is pressed is what then has that name.
  return [...doersOfView().keys()].map((name) => ({ name, press: () => press(doersOfView().get(name)) }));
}

function doersOfView(): Map<string, HTMLElement> {
  const doers = new Map<string, HTMLElement>();
  const all = [...document.querySelectorAll<HTMLElement>(DOERS)];
  for (const element of all.sort((one, other) => rank(one) - rank(other))) {
    const name = nameOf(element);
    if (name && !doers.has(name) && isSeen(element)) doers.set(name, element);
  }
  return doers;
}

const rank = (element: HTMLElement) => (element.closest('[data-part=next-move]') ? 0 : element.closest('td') ? 2 : 1);

/** By its own words; a choice by its label, since its words are what is chosen, and so is what only a picture says. */
function nameOf(element: HTMLElement): string {
  if (element instanceof HTMLButtonElement && element.role === 'combobox') {
    return element.getAttribute('aria-label') ?? element.labels[0]?.textContent?.trim() ?? '';
  }
  const copy = element.cloneNode(true) as HTMLElement;
  for (const key of copy.querySelectorAll(KEYS)) key.remove();
  const words = copy.textContent?.replace(/\s+/g, ' ').trim() ?? '';
  return (/\p{L}{2}/u.test(words) ? words : element.getAttribute('aria-label')) ?? '';
}

const isSeen = (element: HTMLElement) => element.checkVisibility?.() ?? true;

function press(element: HTMLElement | undefined): void {
  element?.focus();
  element?.click();
}
