import { useEffect } from 'react';
import type { RunView } from '../../api';

interface Props {
  view: RunView;
  skewMs: number;
  unkey: () => void;
}

/** On the simulated bench, lets the key go at the hard stop; a real key is in the operator's hand. */
export function KeyGuard({ view, skewMs, unkey }: Props) {
  const keyed = view.clock.phase === 'KEY_DOWN';
  const { since, stopS } = view.clock;
  const onBench = view.source === 'BENCH';
  useEffect(() => {
    if (!keyed || !onBench) return;
    const leftMs = Date.parse(since) + stopS * 1000 - (Date.now() + skewMs);
    const timer = setTimeout(unkey, Math.max(0, leftMs));
    return () => clearTimeout(timer);
  }, [keyed, onBench, since, stopS, skewMs, unkey]);
  return null;
}
