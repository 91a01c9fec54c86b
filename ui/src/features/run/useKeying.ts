import { useCallback, useEffect, useRef } from 'react';
import { ask, client, type RunView } from '../../api';
import type { Run } from './useRun';

/** So long a hand may be behind a key that went up by itself. */
const LATE_HAND_MS = 800;

/** Returns what lets the key down and up. */
export function useKeying(view: RunView, { act, keyed }: Run) {
  const onBench = view.source === 'BENCH';
  const byHand = useRef(false);
  const lateUntil = useRef(0);

  useEffect(() => {
    if (!keyed) return;
    byHand.current = false;
    return () => {
      if (!byHand.current) lateUntil.current = performance.now() + LATE_HAND_MS;
    };
  }, [keyed]);

  /** Keys, but not where the hand only meant to key up. */
  const keyDown = useCallback(() => {
    if (performance.now() >= lateUntil.current) act({ act: 'KEY' });
  }, [act]);

  /** Lets the key go: on the simulated bench at once, past whatever waits to be saved, and noted in the run. */
  const unkey = useCallback(() => {
    byHand.current = true;
    if (onBench) {
      void ask(client.POST('/api/bench/key-up', { params: { query: { noted: true } } }))
        // The bench is away: the signal line says so.
        .catch(() => undefined);
    }
    act({ act: 'UNKEY' });
  }, [onBench, act]);

  return { keyDown, unkey };
}
