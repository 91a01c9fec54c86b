import { useEffect, useRef, useState } from 'react';
import type { Act, RunView } from '../../api';
import { useBenchTurns } from './useBenchTurns';
import { useBenchDials } from './useLive';

type DialName = 'PLATE' | 'LOAD';

/** Whether the stage of a run has dials. */
export const isTuned = (view: RunView) => view.dials.length > 0;

/** How long a dial must stand still before its place is saved. */
const SETTLE_MS = 350;

/**
 * Lets the arrow keys turn the dials: the pointer moves at once. On the simulated bench the dial itself is turned, else the
 * place is kept when it stands still.
 */
export function useDials(view: RunView, act: (act: Act) => void) {
  const bench = useBenchDials();
  const onBench = bench !== undefined;
  const [turning, setTurning] = useState<Partial<Record<DialName, number>>>({});
  const timers = useRef<Partial<Record<DialName, ReturnType<typeof setTimeout>>>>({});
  const send = useBenchTurns(view.id);

  // biome-ignore lint/correctness/useExhaustiveDependencies: a new view is the server's word on where the dials stand
  useEffect(() => {
    if (!onBench) setTurning({});
  }, [view.sequence]);

  const at: Record<DialName, number | undefined> = {
    PLATE: turning.PLATE ?? (onBench ? bench.plate : dialOf(view, 'PLATE')?.position),
    LOAD: turning.LOAD ?? (onBench ? bench.load : dialOf(view, 'LOAD')?.position),
  };
  const turn = (name: DialName, direction: 1 | -1, fine: boolean) => {
    const dial = dialOf(view, name);
    if (!dial) return;
    const from = at[name] ?? dial.adviseTo ?? (dial.least + dial.most) / 2;
    const step = dial.markStep * (fine ? (onBench ? 0.01 : 0.02) : 0.1);
    const to = Math.min(dial.most, Math.max(dial.least, Math.round((from + direction * step) * 1000) / 1000));
    setTurning((known) => ({ ...known, [name]: to }));
    clearTimeout(timers.current[name]);
    if (onBench) {
      send(name, to);
      timers.current[name] = setTimeout(() => setTurning((known) => ({ ...known, [name]: undefined })), 2 * SETTLE_MS);
    } else {
      timers.current[name] = setTimeout(() => act({ act: 'SET', control: name, text: to.toFixed(2) }), SETTLE_MS);
    }
  };
  return { at, turn };
}

function dialOf(view: RunView, name: DialName) {
  return view.dials.find((one) => one.control === name);
}

export type DialKeys = ReturnType<typeof useDials>;
