import { useCallback } from 'react';
import { ask, client, type RunView } from '../../api';
import type { Run } from './useRun';

/** Returns what lets the key go: on the simulated bench at once, past whatever waits to be saved, and noted in the run. */
export function useUnkey(view: RunView, { act }: Run) {
  const onBench = view.source === 'BENCH';
  return useCallback(() => {
    if (onBench) {
      void ask(client.POST('/api/bench/key-up', { params: { query: { noted: true } } }))
        // The bench is away: the signal line says so.
        .catch(() => undefined);
    }
    act({ act: 'UNKEY' });
  }, [onBench, act]);
}
