import { useCallback, useEffect, useRef, useState } from 'react';
import type { Act, RunView } from '../../api';

type DialName = 'PLATE' | 'LOAD';

/** How long a dial must stand still before its place is kept. */
const SETTLE_MS = 350;

/** Lets the arrow keys turn the dials: the pointer moves at once, the place is kept when it stands still. */
export function useDials(view: RunView, act: (act: Act) => void) {
  const [turning, setTurning] = useState<Partial<Record<DialName, number>>>({});
  const timers = useRef<Partial<Record<DialName, ReturnType<typeof setTimeout>>>>({});

  // biome-ignore lint/correctness/useExhaustiveDependencies: a new view is the server's word on where the dials stand
  useEffect(() => setTurning({}), [view.sequence]);

  const turn = useCallback(
    (name: DialName, direction: 1 | -1, fine: boolean) => {
      const dial = view.dials.find((one) => one.control === name);
      if (!dial) return;
      const from = turning[name] ?? dial.position ?? dial.adviseTo ?? (dial.least + dial.most) / 2;
      const step = dial.markStep * (fine ? 0.02 : 0.1);
      const to = Math.min(dial.most, Math.max(dial.least, Math.round((from + direction * step) * 1000) / 1000));
      setTurning((known) => ({ ...known, [name]: to }));
      clearTimeout(timers.current[name]);
      timers.current[name] = setTimeout(() => act({ act: 'SET', control: name, text: to.toFixed(2) }), SETTLE_MS);
    },
    [view.dials, turning, act],
  );
  return { turning, turn };
}

export type DialKeys = ReturnType<typeof useDials>;
