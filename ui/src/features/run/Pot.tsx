import type { RunView } from '../../api';
import { Button } from '../../parts/ui';
import { fixed } from '../../quantity';
import { say } from '../../words';
import type { PotKeys } from './usePot';

/** On the simulated bench, the pot of the device in hand, turned by keys. */
export function Pot({ view, pot }: { view: RunView; pot: PotKeys }) {
  if (view.kind !== 'BIAS' || pot.at === undefined) return null;
  return (
    <section
      aria-label={say('run.pot')}
      className="sheet flex flex-wrap items-baseline gap-x-4 gap-y-2 px-4 py-2.5"
      data-part="pot"
    >
      <h2 className="head text-18">{say('run.potOf', { device: view.draft.device && ` ${view.draft.device}` })}</h2>
      <output className="figure text-22">{fixed(pot.at, 3)}</output>
      <span className="text-13 text-soft">{say('run.ofTurnsArrowKeysHalf', { potTurns: view.bias?.potTurns })}</span>
      <span className="ml-auto flex gap-1">
        {(
          [
            [say('run.potDown'), '↓', -1],
            [say('run.potUp'), '↑', 1],
          ] as const
        ).map(([label, sign, way]) => (
          <Button
            key={label}
            kind="bare"
            aria-label={label}
            onClick={() => pot.turn(way, 'some')}
            className="figure min-w-6.5 justify-center border border-rule text-13 hover:bg-wash"
          >
            {sign}
          </Button>
        ))}
      </span>
    </section>
  );
}
