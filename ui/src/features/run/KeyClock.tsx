import type { Act, RunView } from '../../api';
import { Sheet } from '../../parts';
import { Button } from '../../parts/ui';
import { Ring } from '../../plot';
import { seconds } from '../../quantity';
import { useClock } from './useClock';

const TITLES = { IDLE: 'Key up', KEY_DOWN: 'Key down', RESTING: 'Resting', READY: 'Rested' } as const;

/** What the operator sees or hears, in short. */
export const REPORTS = {
  ARC: 'an arc',
  KNOB_SLIPS: 'a dial slips',
  TRIP_GRID: 'grid current',
  TRIP_PLATE: 'plate current',
  TRIP_REFLECTED: 'reflected power',
  TRIP_HEAT: 'heat',
  TRIP_INPUT: 'drive',
  TRIP_OUTPUT: 'output',
  TRIP_FILTER: 'the wrong filter',
  TRIP: 'not known',
} as const;
const SEEN = ['ARC', 'KNOB_SLIPS'] as const;
const TRIPS = [
  'TRIP_GRID',
  'TRIP_PLATE',
  'TRIP_INPUT',
  'TRIP_OUTPUT',
  'TRIP_REFLECTED',
  'TRIP_HEAT',
  'TRIP_FILTER',
  'TRIP',
] as const;

/** The pace of key-down and rest. */
export function KeyClock({ view, skewMs, act }: { view: RunView; skewMs: number; act: (act: Act) => void }) {
  const clock = view.clock;
  const { running, elapsedS, wholeS, leftS, beyond, resting } = useClock(view, skewMs);
  return (
    <Sheet part="clock">
      <div className="flex items-center gap-5">
        <Ring
          share={running ? (clock.phase === 'KEY_DOWN' ? elapsedS / clock.aimS : Math.max(0, leftS / wholeS)) : 0}
          label={running ? shownTime(clock.phase === 'KEY_DOWN' ? Math.floor(elapsedS) : Math.max(0, leftS)) : '–'}
          beyond={beyond}
        />
        <div className="text-soft">
          <h2 className={`text-18 ${beyond ? 'text-limit' : 'text-ink'}`}>
            {beyond ? 'Key up' : clock.phase === 'RESTING' && !resting ? 'Rested' : TITLES[clock.phase]}
          </h2>
          {clock.phase === 'KEY_DOWN' && view.kind === 'BIAS' && <p>No RF flows: the current says when it goes up.</p>}
          {clock.phase === 'KEY_DOWN' && view.kind === 'RESONANCE' && (
            <p>As long as you send, {seconds(clock.stopS)} at most.</p>
          )}
          {clock.phase === 'KEY_DOWN' && view.kind !== 'BIAS' && view.kind !== 'RESONANCE' && (
            <p>
              {seconds(clock.aimS)} aimed for, {seconds(clock.stopS)} at most.
            </p>
          )}
          {resting && (
            <p>{Number.isFinite(leftS) ? `Key again in ${seconds(leftS)}.` : 'Until the load has cooled.'}</p>
          )}
          {clock.lastKeyDownS > 0 && view.kind !== 'BIAS' && clock.phase !== 'KEY_DOWN' && (
            <p>
              Last key-down {clock.lastKeyDownS.toFixed(1)} s of {clock.aimS} s.
            </p>
          )}
          {clock.load && <p className={clock.hot ? 'text-watch' : ''}>{clock.load}</p>}
          {clock.tubes && <p>{clock.tubes}</p>}
        </div>
      </div>
      <Reports label="Seen or heard:" signs={SEEN} view={view} act={act} />
      <Reports label="Tripped by:" signs={TRIPS} view={view} act={act} />
    </Sheet>
  );
}

/** A time that fits into the ring. */
function shownTime(s: number): string {
  return s < 120 ? seconds(s) : `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, '0')} min`;
}

interface ReportsProps {
  label: string;
  signs: readonly (keyof typeof REPORTS)[];
  view: RunView;
  act: (act: Act) => void;
}

function Reports({ label, signs, view, act }: ReportsProps) {
  const open = signs.filter((sign) => view.mayReport.includes(sign));
  if (open.length === 0) return null;
  return (
    <p className="mt-1 text-13 text-soft">
      {label}
      {open.map((sign) => (
        <Button
          key={sign}
          kind="link"
          className="ml-3"
          onClick={(event) => {
            // Enter is for the next move from here on.
            event.currentTarget.blur();
            act({ act: 'SIGN', sign });
          }}
        >
          {REPORTS[sign]}
        </Button>
      ))}
    </p>
  );
}
