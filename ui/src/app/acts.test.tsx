import { render } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { actsOfView } from './acts';

describe('the acts of the view in hand', () => {
  it('are what its buttons and links say, each once, and pressed as if by hand', () => {
    const press = vi.fn();
    const { unmount } = render(
      <main id="main">
        <label htmlFor="band">Band</label>
        <button type="button" role="combobox" aria-expanded="false" aria-controls="bands" id="band">
          7 MHz
        </button>
        <section data-part="next-move">
          <button type="button" onClick={press}>
            Start the climb <kbd>Enter</kbd>
          </button>
        </section>
        <button type="button" disabled>
          Not now
        </button>
        <a href="#station">Go to Station</a>
        <button type="button">Start the climb</button>
        <button type="button" aria-label="PLATE up">
          →
        </button>
      </main>,
    );
    const acts = actsOfView();
    expect(acts.map((act) => act.name)).toEqual(['Start the climb', 'Band', 'Go to Station', 'PLATE up']);
    acts[0]?.press();
    expect(press).toHaveBeenCalledOnce();
    unmount();
    expect(actsOfView()).toEqual([]);
  });
});
