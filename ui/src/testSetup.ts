import '@testing-library/jest-dom/vitest';
import english from 'virtual:words/en';
import { act, cleanup, configure } from '@testing-library/react';
import { afterEach } from 'vitest';
import { forget } from './parts/ui/toasts';
import { speak } from './words';

speak('en', english);

// A machine that is busy elsewhere fails no test.
configure({ asyncUtilTimeout: 10_000 });

// What primitives ask of a browser and jsdom has not: nothing is laid out here, and no pointer is captured.
class Observer {
  observe() {}
  unobserve() {}
  disconnect() {}
}
globalThis.ResizeObserver ??= Observer as unknown as typeof ResizeObserver;
Element.prototype.hasPointerCapture ??= () => false;
Element.prototype.setPointerCapture ??= () => undefined;
Element.prototype.releasePointerCapture ??= () => undefined;
Element.prototype.scrollIntoView ??= () => undefined;

afterEach(() => {
  cleanup();
  act(forget);
});
