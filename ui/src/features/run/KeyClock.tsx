import type { Act, RunView } from '../../api';
import { Sheet } from '../../parts';
import { Button } from '../../parts/ui';
import { Ring } from '../../plot';
import { fixed, seconds } from '../../quantity';
import { say } from '../../words';
import { useClock } from './useClock';

const TITLES = {
  IDLE: say('shared.keyUp'),
  KEY_DOWN: say('shared.keyDown'),
  RESTING: say('run.resting'),
  READY: say('run.rested'),
} as const;

/** What the operator sees or hears, in short. */
export const REPORTS = {
  ARC: say('run.anArc'),
  KNOB_SLIPS: say('run.aDialSlips'),
  TRIP_GRID: say('shared.gridCurrent'),
  TRIP_PLATE: say('shared.plateCurrent'),
  TRIP_REFLECTED: say('shared.reflectedPower'),
  TRIP_HEAT: say('shared.heat'),
  TRIP_INPUT: say('shared.driveWithin'),
  TRIP_OUTPUT: say('shared.output'),
  TRIP_FILTER: say('run.theWrongFilter'),
  TRIP: say('run.notKnown'),
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
            {beyond
              ? say('shared.keyUp')
              : clock.phase === 'RESTING' && !resting
                ? say('run.rested')
                : TITLES[clock.phase]}
          </h2>
          {clock.phase === 'KEY_DOWN' && view.kind === 'BIAS' && <p>{say('run.noRFFlowsTheCurrent')}</p>}
          {clock.phase === 'KEY_DOWN' && view.kind === 'RESONANCE' && (
            <p>{say('run.asLongAsYouSend', { stopS: seconds(clock.stopS) })}</p>
          )}
          {clock.phase === 'KEY_DOWN' && view.kind !== 'BIAS' && view.kind !== 'RESONANCE' && (
            <p>{say('run.aimedForAtMost', { aimS: seconds(clock.aimS), stopS: seconds(clock.stopS) })}</p>
          )}
          {resting && (
            <p>
              {Number.isFinite(leftS)
                ? say('run.keyAgainIn', { leftS: seconds(leftS) })
                : say('run.untilTheLoadHasCooled')}
            </p>
          )}
          {clock.lastKeyDownS > 0 && view.kind !== 'BIAS' && clock.phase !== 'KEY_DOWN' && (
            <p>{say('run.lastKeyDownSOf', { lastKeyDownS: fixed(clock.lastKeyDownS, 1), aimS: clock.aimS })}</p>
          )}
          {clock.load && <p className={clock.hot ? 'text-watch' : ''}>{clock.load}</p>}
          {clock.tubes && <p>{clock.tubes}</p>}
        </div>
      </div>
      <Reports label={say('run.seenOrHeard')} signs={SEEN} view={view} act={act} />
      <Reports label={say('run.trippedBy')} signs={TRIPS} view={view} act={act} />
    </Sheet>
  );
}

/** A time that fits into the ring. */
function shownTime(s: number): string {
  return s < 120
    ? seconds(s)
    : say('run.min', { minutes: Math.floor(s / 60), seconds: String(Math.floor(s % 60)).padStart(2, '0') });
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
