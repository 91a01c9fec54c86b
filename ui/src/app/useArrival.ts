import { useEffect, useRef } from 'react';
import { useLocation, useNavigationType } from 'react-router';

/** Which link of the view had the focus last, by place in the history. */
const left = new Map<string, string>();
/** So long a view may take to show its heading. */
const SOUGHT_MS = 5000;

/**
 * Takes the focus to the heading of a view that has been opened, and on the way back to the link that was followed from there;
 * leaves it where the view or the operator has put it.
 */
export function useArrival(): void {
  const { key, pathname } = useLocation();
  const how = useNavigationType();
  const here = useRef(pathname);
  useEffect(() => {
    const note = ({ target }: FocusEvent) => {
      const link = target instanceof Element ? target.closest('#main a[href]') : null;
      if (link) left.set(key, link.getAttribute('href') ?? '');
    };
    document.addEventListener('focusin', note);
    return () => document.removeEventListener('focusin', note);
  }, [key]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a view is opened where the path changes
  useEffect(() => {
    if (here.current === pathname) return;
    here.current = pathname;
    return arrive(how === 'POP' ? left.get(key) : undefined);
  }, [pathname]);
}

/** Seeks the heading, or the link wanted, until it is there; returns what ends that. */
function arrive(wanted: string | undefined): () => void {
  const before = document.activeElement;
  let put: Element | null = null;
  const seek = () => {
    const main = document.getElementById('main');
    const now = document.activeElement;
    const isTaken = now !== document.body && now !== put && (now !== before || main?.contains(now));
    if (!main || isTaken) return end();
    const link = [...main.querySelectorAll('a')].find((one) => one.getAttribute('href') === wanted);
    const heading = main.querySelector('h1');
    const found = link ?? heading;
    if (!found || found === put) return;
    heading?.setAttribute('tabindex', '-1');
    found.focus();
    put = found;
    if (link || !wanted) end();
  };
  const watch = new MutationObserver(seek);
  const end = () => {
    watch.disconnect();
    cancelAnimationFrame(frame);
    clearTimeout(timer);
  };
  const timer = setTimeout(() => end(), SOUGHT_MS);
  // What gives the focus back when it is left does so first.
  const frame = requestAnimationFrame(() => {
    watch.observe(document.body, { childList: true, subtree: true });
    seek();
  });
  return end;
}
