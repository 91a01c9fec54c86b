import type { RunView } from '../../api';
import { useNow } from '../../parts';

/** Returns the times of key-down and rest as they run, in seconds. */
export function useClock({ clock }: RunView, skewMs: number) {
  const running = clock.phase === 'KEY_DOWN' || clock.phase === 'RESTING';
  const now = useNow(100, running);
  const elapsedS = Math.max(0, (now + skewMs - Date.parse(clock.since)) / 1000);
  const wholeS = clock.phase === 'KEY_DOWN' ? clock.aimS : (clock.restS ?? Number.POSITIVE_INFINITY);
  const leftS = wholeS - elapsedS;
  return {
    running,
    elapsedS,
    wholeS,
    leftS,
    beyond: clock.phase === 'KEY_DOWN' && elapsedS > clock.aimS,
    resting: clock.phase === 'RESTING' && leftS > 0,
  };
}
