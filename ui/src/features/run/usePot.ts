import { useEffect, useRef, useState } from 'react';
import type { RunView } from '../../api';
import { useBenchTurns } from './useBenchTurns';
import { useBench } from './useLive';

/** How long the place that was asked for is shown before the bench's own. */
const SETTLE_MS = 700;

/** Parts of a turn by one key press. */
const STEPS = { much: 0.5, some: 0.02, little: 0.002 } as const;

/** Turns the pot of the device in hand on the simulated bench; a real pot is in the operator's hand. */
export function usePot(view: RunView) {
  const pot = useBench((bench) => (bench.present ? bench.pot : undefined));
  const send = useBenchTurns(view.id);
  const [turning, setTurning] = useState<number>();
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another device has another pot
  useEffect(() => setTurning(undefined), [view.draft.device]);
  const at = pot === undefined ? undefined : (turning ?? pot);
  const turn = (way: 1 | -1, by: keyof typeof STEPS) => {
    if (at === undefined) return;
    const to = Math.min(view.bias?.potTurns ?? 0, Math.max(0, Math.round((at + way * STEPS[by]) * 1e4) / 1e4));
    setTurning(to);
    clearTimeout(timer.current);
    timer.current = setTimeout(() => setTurning(undefined), SETTLE_MS);
    send('POT', to);
  };
  return { at, turn };
}

export type PotKeys = ReturnType<typeof usePot>;
