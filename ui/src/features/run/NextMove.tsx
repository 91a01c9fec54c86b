import { useState } from 'react';
import { Link } from 'react-router';
import type { RunView } from '../../api';
import { Diamond, Kbd, Sheet } from '../../parts';
import { Button, Input, Label } from '../../parts/ui';
import { say } from '../../words';
import { useLiveReading, useOver } from './useLive';
import type { Run } from './useRun';

interface Props {
  view: RunView;
  run: Run;
  follow: () => void;
  keyDown: () => void;
  unkey: () => void;
  read: () => void;
  /** Goes to the first empty entry. */
  type: () => void;
  /** Keeps the doubtful entry, where there is one. */
  keep?: () => void;
}

/** The one big sentence: what to do next, why, and the button that says it is done. */
export function NextMove({ view, run, follow, keyDown, unkey, read, type, keep }: Props) {
  const isLive = view.source !== 'TYPED';
  const advice = view.advice;
  const keyed = run.keyed;
  const live = useOver();
  const over = keyed ? live : undefined;
  const toKey =
    keyed ||
    ['KEY_AND_PEAK', 'KEY_AND_READ', 'SWITCH_AND_READ', 'REST', 'TELL_SHAPE', 'LEAVE_ALONE'].includes(advice.move);
  const toRead = [
    'KEY_AND_PEAK',
    'PEAK_AND_READ',
    'KEY_AND_READ',
    'SWITCH_AND_READ',
    'READ_OFF',
    'ADJUST',
    'TURN_DOWN',
    'HOLD',
    'ENTER_READINGS',
    'ENTER_POSITION',
    'SETTLE_DOUBT',
  ].includes(advice.move);
  // What is turned, or left alone, is watched: the meter in large.
  const toWatch = ['ADJUST', 'TURN_DOWN', 'HOLD'].includes(advice.move) || (keyed && view.kind === 'RESONANCE');
  return (
    <Sheet
      title={say('shared.nextMove')}
      accent
      part="next-move"
      aside={<span className="text-12 text-soft">{advice.rule}</span>}
    >
      <div role={over ? 'alert' : 'status'} aria-live={over ? 'assertive' : 'polite'}>
        <p
          className={`head leading-head ${over || advice.move === 'UNKEY' ? 'text-limit' : ''} ${over ? 'border-l-4 border-limit pl-2' : ''} text-27`}
          data-part="sentence"
          data-busy={run.unanswered || undefined}
        >
          {over ?? advice.sentence}
        </p>
        {toWatch && <Watched view={view} />}
        <p className="mt-2 text-soft">{advice.why}</p>
        {advice.expect && <p className="mt-1">{advice.expect}</p>}
        {advice.meterSwitch && (
          <p className="mt-2" data-part="meter-switch">
            {say('run.meterSwitchLabel')} <strong className="font-semibold">{advice.meterSwitch}</strong>
          </p>
        )}
        {advice.stops.length > 0 && <Stops of={advice.stops} />}
      </div>
      {advice.lookAt.length > 0 && (
        <ol className="mt-2 list-decimal pl-5">
          {advice.lookAt.map((point) => (
            <li key={point}>{point}</li>
          ))}
        </ol>
      )}
      {advice.cautions.map((caution) => (
        <p key={caution} className="mt-2 flex items-baseline gap-2 text-13 text-watch">
          <Diamond />
          <span>{caution}</span>
        </p>
      ))}
      <div className="mt-3 flex flex-wrap items-center gap-x-3 gap-y-2">
        {advice.button && (
          <Button kind="main" hotkey="Enter" onClick={follow}>
            {advice.button}
          </Button>
        )}
        {advice.onSignal && (
          <Button onClick={() => run.act({ act: 'LEAVE', check: advice.onSignal })}>{say('run.notMeasured')}</Button>
        )}
        {advice.onSignal && (
          <Button asChild>
            <Link to={`/tune/${view.id}/signal`}>{say('run.toSignal')}</Link>
          </Button>
        )}
        {toKey && (
          <Button
            kind={(keyed || !advice.button) && !toWatch ? 'main' : 'plain'}
            hotkey="Space"
            onClick={() => (keyed ? unkey() : keyDown())}
          >
            {keyed ? say('shared.keyUp') : say('shared.keyDown')}
          </Button>
        )}
        {toRead && (
          <Button kind={toWatch ? 'main' : 'plain'} hotkey="R" onClick={read}>
            {isLive ? say('shared.takeReadings') : say('run.enterReadings')}
          </Button>
        )}
        {toRead && isLive && (
          <Button kind="quiet" hotkey="E" onClick={type}>
            {say('run.typeThem')}
          </Button>
        )}
        {!keyed &&
          advice.mayLeave.map((role) => (
            <Button key={role} kind="quiet" onClick={() => run.act({ act: 'UNREAD', role })}>
              {say('run.notRead', { label: view.rows.find((one) => one.role === role)?.label })}
            </Button>
          ))}
        {keep && (
          <Button hotkey="Y" onClick={keep}>
            {say('run.keepIt')}
          </Button>
        )}
        {view.draft.complete && advice.move !== 'RECORD_STEP' && !keyed && (
          <Button kind="quiet" onClick={() => run.act({ act: 'RECORD' })}>
            {say('run.recordAsItIs')}
          </Button>
        )}
        {view.steps.length > 0 && view.draft.cells.length === 0 && !keyed && (
          <Button kind="bare" className="text-13 text-soft" onClick={() => run.act({ act: 'UNDO' })}>
            <Kbd>Z</Kbd> {say('run.undoLastStep')}
          </Button>
        )}
      </div>
      {(advice.move === 'SWITCH_HEATERS_ON' || advice.move === 'WAIT_FOR_WARMTH') && <WarmAlready run={run} />}
    </Sheet>
  );
}

/** Where the hand goes back, whatever the output does: one meter beside the other, to be seen from the knobs. */
function Stops({ of }: { of: RunView['advice']['stops'] }) {
  return (
    <div className="mt-2 border-l-4 border-limit pl-2" data-part="stops">
      <p className="text-13">{say('run.turnBackAtAndKey')}</p>
      <dl className="flex flex-wrap gap-x-4">
        {of.map((stop) => (
          <div key={stop.role}>
            <dt className="text-12 text-soft">{stop.label}</dt>
            <dd className="figure text-18">{stop.shown}</dd>
          </div>
        ))}
      </dl>
    </div>
  );
}

/** What the meter that is watched shows now, to be read from where pots or motor are. */
function Watched({ view }: { view: RunView }) {
  const sense = useLiveReading('SENSE_VOLTAGE');
  const feed = useLiveReading('DEVICE_CURRENT');
  const phase = useLiveReading('PHASE');
  const volts = useLiveReading('LINE_VOLTAGE');
  const live = sense ?? feed ?? phase ?? volts;
  if (!live?.shown) return null;
  return (
    <p className="figure mt-1 text-27" data-part="watched">
      {live.shown}{' '}
      <span className="text-18 text-soft">
        {say('run.now', { unit: view.rows.find((one) => one.role === live.role)?.unit })}
      </span>
    </p>
  );
}

function WarmAlready({ run }: { run: Run }) {
  const [minutes, setMinutes] = useState('');
  return (
    <form
      className="mt-3 flex flex-wrap items-center gap-2 text-soft"
      onSubmit={(event) => {
        event.preventDefault();
        run.act({ act: 'WARM', text: minutes });
      }}
    >
      <Label htmlFor="warm-minutes">
        <Kbd>R</Kbd> {say('run.onAlreadyFor')}
      </Label>
      <Input
        id="warm-minutes"
        data-entry="WARM"
        number
        className="w-16"
        maxLength={10}
        value={minutes}
        onChange={(event) => setMinutes(event.target.value)}
      />
      <span>min</span>
      <Button type="submit" disabled={minutes.trim() === ''}>
        {say('shared.set')}
      </Button>
    </form>
  );
}
