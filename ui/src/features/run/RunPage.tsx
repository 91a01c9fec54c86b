import { useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useContext, useEffect, useRef, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import type { RunView } from '../../api';
import { Answer, Diamond, useKeys, useKeyUp } from '../../parts';
import { Button, Skeleton } from '../../parts/ui';
import { say } from '../../words';
import { Afterwards } from './Afterwards';
import { BeforePower } from './BeforePower';
import { BiasSays } from './BiasSays';
import { BiasSheet } from './BiasSheet';
import { ChainSays } from './ChainSays';
import { ChainSheet } from './ChainSheet';
import { Dials } from './Dials';
import { Glance } from './Glance';
import { KeyClock } from './KeyClock';
import { KeyGuard } from './KeyGuard';
import { Learning } from './Learning';
import { LevelSays } from './LevelSays';
import { LevelSheet } from './LevelSheet';
import { LiveLine } from './LiveLine';
import { MatchSays } from './MatchSays';
import { MatchSheet } from './MatchSheet';
import { NextMove } from './NextMove';
import { Pointers } from './Pointers';
import { Pot } from './Pot';
import { ResonanceSays } from './ResonanceSays';
import { ResonanceSheet } from './ResonanceSheet';
import { RoomLeft } from './RoomLeft';
import { RunFoot } from './RunFoot';
import { ScopeSays } from './ScopeSays';
import { ScopeSheet } from './ScopeSheet';
import { Signs } from './Signs';
import { StepSheet } from './StepSheet';
import { SoundLine } from './sound/SoundLine';
import { useSounds } from './sound/useSounds';
import { tabOf } from './Tabs';
import { TripReset } from './TripReset';
import { useDials } from './useDials';
import { useKeying } from './useKeying';
import { Live, LiveContext, useLiveStream } from './useLive';
import { usePot } from './usePot';
import { type Run, useRun } from './useRun';
import { VoltsSheet } from './VoltsSheet';

const MapSheet = lazy(() => import('./map/MapSheet'));
const PowerSheet = lazy(() => import('./PowerSheet'));
const SignalSheet = lazy(() => import('./SignalSheet'));

export function RunPage() {
  const { runId = '' } = useParams();
  const [live] = useState(() => new Live());
  const run = useRun(runId, live.ifRead);
  useLiveStream(live, run.view);
  return (
    <Answer query={{ data: run.view, error: run.error, refetch: run.retry }} what={say('run.theRun')}>
      {(view) => (
        <LiveContext value={live}>
          <Running run={run} view={view} />
        </LiveContext>
      )}
    </Answer>
  );
}

function Running({ run, view }: { run: Run; view: RunView }) {
  const page = useRef<HTMLDivElement>(null);
  const ended = view.phase === 'FINISHED' || view.phase === 'ABANDONED';
  const beforePower = view.phase === 'PREFLIGHT' || view.phase === 'WARMING';
  const dials = useDials(view, run.act);
  const pot = usePot(view);
  const { keyDown, unkey } = useKeying(view, run);
  const sounds = useSounds(view, run.skewMs, useContext(LiveContext));
  const [glances, setGlances] = useState(false);
  const navigate = useNavigate();
  const tab = tabOf(useParams().tab);
  const isLive = view.source !== 'TYPED';
  const onBench = view.source === 'BENCH';
  const isClimb = view.kind === 'TUNE_UP' || view.kind === 'DRIVE_TABLE';

  useEffect(() => {
    document.title = ended
      ? say('shared.tubrin', { title: view.title })
      : say('run.tubrin', { sentence: view.advice.sentence });
  }, [ended, view.title, view.advice.sentence]);

  const { phase } = view.clock;
  const queries = useQueryClient();
  useEffect(() => {
    // The sign that stands on every page follows what was keyed here at once.
    if (onBench && phase) void queries.invalidateQueries({ queryKey: ['bench'] });
  }, [onBench, phase, queries]);

  const doubtful = view.draft.cells.find((cell) => cell.question);
  const keep = doubtful && (() => run.act({ act: 'READ', role: doubtful.role, text: doubtful.shown, confirmed: true }));
  const enter = () => {
    const entries = [...(page.current?.querySelectorAll<HTMLInputElement>('input[data-entry]') ?? [])];
    // What was refused comes first, then what the next move asks for: nothing typed may land in another row.
    const wanted =
      entries.find((entry) => (entry.dataset.entry ?? '') in run.fieldProblems) ??
      (view.advice.move === 'SETTLE_DOUBT'
        ? entries.find((entry) => entry.dataset.entry === doubtful?.role)
        : (entries.find((entry) => view.advice.missing.some((role) => role === entry.dataset.entry)) ??
          entries.find((entry) => entry.value === '')));
    (wanted ?? entries[0])?.focus();
  };
  const typesNext = useRef(false);
  useEffect(() => {
    if (glances || !typesNext.current) return;
    typesNext.current = false;
    enter();
  });
  const type = () => {
    // Nothing can be typed into what is seen at a glance.
    typesNext.current = glances;
    setGlances(false);
    if (!glances) enter();
  };
  const read = () => (isLive && !beforePower ? run.act({ act: 'TAKE' }) : type());
  // Pressed twice, Enter must not follow a move that nobody has read yet.
  const follow = () => {
    if (run.busy) return;
    if (view.advice.button) run.act({ act: 'FOLLOW' });
    // With the key up meters have nothing to say yet.
    else if (
      !(
        isLive &&
        [
          'REST',
          'KEY_AND_PEAK',
          'KEY_AND_READ',
          'SWITCH_AND_READ',
          'TELL_SHAPE',
          'WAIT_FOR_WARMTH',
          'HOLD',
          'LEAVE_ALONE',
        ].includes(view.advice.move)
      )
    )
      read();
  };
  const drive = (up: boolean) => {
    const at = view.draft.driveW ?? 0;
    const advised = view.advice.control === 'DRIVE' ? view.advice.to : undefined;
    const next = up
      ? (advised ?? view.drivesW.find((rung) => rung > at * 1.01))
      : view.drivesW.findLast((rung) => rung < at * 0.99);
    if (next !== undefined) run.act({ act: 'SET', control: 'DRIVE', text: String(next) });
  };
  useKeys(
    ended
      ? {}
      : {
          Enter: follow,
          Space: keyDown,
          r: read,
          e: type,
          y: () => keep?.(),
          z: () => run.act({ act: 'UNDO' }),
          n: sounds.repeat,
          f: () => setGlances(!glances),
          ...(glances ? { Escape: () => setGlances(false) } : {}),
          m: () => navigate(`/tune/${view.id}${tab === 'map' ? '' : '/map'}`),
          d: (event) => drive(!event.shiftKey),
          ...(view.kind === 'BIAS'
            ? {
                ArrowLeft: () => pot.turn(-1, 'much'),
                ArrowRight: () => pot.turn(1, 'much'),
                ArrowDown: (event: KeyboardEvent) => pot.turn(-1, event.shiftKey ? 'little' : 'some'),
                ArrowUp: (event: KeyboardEvent) => pot.turn(1, event.shiftKey ? 'little' : 'some'),
              }
            : {
                ArrowLeft: (event: KeyboardEvent) => dials.turn('PLATE', -1, event.shiftKey),
                ArrowRight: (event: KeyboardEvent) => dials.turn('PLATE', 1, event.shiftKey),
                ArrowDown: (event: KeyboardEvent) => dials.turn('LOAD', -1, event.shiftKey),
                ArrowUp: (event: KeyboardEvent) => dials.turn('LOAD', 1, event.shiftKey),
              }),
        },
  );

  useKeyUp(run.keyed, onBench, unkey);

  if (glances && !ended) {
    return (
      <>
        <KeyGuard view={view} skewMs={run.skewMs} unkey={unkey} />
        <Messages run={run} />
        <Glance
          view={view}
          skewMs={run.skewMs}
          dials={dials}
          keyed={run.keyed}
          unanswered={run.unanswered}
          caption={sounds.caption}
          leave={() => setGlances(false)}
        />
      </>
    );
  }
  return (
    <div ref={page}>
      <LiveLine view={view} />
      <KeyGuard view={view} skewMs={run.skewMs} unkey={unkey} />
      <div className="mx-5 mb-5 grid grid-cols-one items-start gap-3.5 wide:grid-cols-main-side">
        <div className="grid grid-cols-one gap-3.5">
          <Messages run={run} />
          <Corrections view={view} run={run} />
          {beforePower ? (
            <BeforePower view={view} skewMs={run.skewMs} act={run.act} />
          ) : (
            <>
              {view.kind === 'ALC' && <LevelSheet view={view} run={run} readOnly={ended} />}
              {view.kind === 'CHAIN' && <ChainSheet view={view} run={run} readOnly={ended} />}
              {view.kind === 'WAVEFORM' && <ScopeSheet view={view} run={run} readOnly={ended} />}
              {view.kind === 'SUPPLY_TABLE' && <VoltsSheet view={view} run={run} readOnly={ended} />}
              {view.kind === 'RESONANCE' && <ResonanceSheet view={view} run={run} readOnly={ended} />}
              {view.kind === 'MATCHER' && <MatchSheet view={view} run={run} readOnly={ended} />}
              {view.kind === 'BIAS' && <BiasSheet view={view} run={run} readOnly={ended} />}
              {isClimb && tab === 'climb' && <StepSheet view={view} run={run} readOnly={ended} />}
              {isClimb && tab !== 'climb' && (
                <Suspense fallback={<Skeleton what={say('shared.theView')} />}>
                  {tab === 'map' && <MapSheet view={view} />}
                  {tab === 'power' && <PowerSheet view={view} />}
                  {tab === 'signal' && <SignalSheet view={view} run={run} />}
                </Suspense>
              )}
              {!ended && <Dials view={view} dials={dials} />}
              {!ended && <Pointers view={view} />}
              {!ended && <Pot view={view} pot={pot} />}
            </>
          )}
          {ended ? <Afterwards view={view} /> : <RunFoot view={view} act={run.act} />}
          {ended && <Learning view={view} />}
        </div>
        <div className="grid grid-cols-one gap-3.5 max-wide:order-first">
          {!ended && (
            <NextMove
              view={view}
              run={run}
              follow={follow}
              keyDown={keyDown}
              unkey={unkey}
              read={read}
              type={type}
              keep={keep}
            />
          )}
          {!ended && <SoundLine sounds={sounds} glance={() => setGlances(true)} />}
          {!ended && <TripReset view={view} />}
          {!beforePower && <Signs view={view} />}
          {!beforePower && view.kind === 'ALC' && <LevelSays view={view} />}
          {!beforePower && view.kind === 'CHAIN' && <ChainSays view={view} />}
          {!beforePower && view.kind === 'WAVEFORM' && <ScopeSays view={view} run={run} />}
          {!beforePower && view.kind === 'RESONANCE' && <ResonanceSays view={view} run={run} readOnly={ended} />}
          {!beforePower && view.kind === 'MATCHER' && <MatchSays view={view} />}
          {!beforePower && view.kind === 'BIAS' && <BiasSays view={view} />}
          {!beforePower && (isClimb || view.kind === 'SUPPLY_TABLE') && <RoomLeft view={view} />}
          {!ended && !beforePower && <KeyClock view={view} skewMs={run.skewMs} act={run.act} />}
        </div>
      </div>
    </div>
  );
}

/** Meters whose records were corrected since the run began: it goes on with what they say now, and nothing is read again. */
function Corrections({ view, run }: { view: RunView; run: Run }) {
  return view.corrections.map((one) => (
    <div key={one.meterId} role="status" className="sheet flex items-center gap-3 border-l-4 border-l-watch px-4 py-2">
      <Diamond />
      <p className="grow">
        <b className="font-semibold">{say('run.theRecordOfWasChanged', { meter: one.meter })}</b>{' '}
        <span className="text-soft">{say('run.thisRunGoesByThe')}</span>
      </p>
      <Button onClick={() => run.act({ act: 'CORRECT', meterId: one.meterId })}>{say('run.takeTheNewRecord')}</Button>
    </div>
  ));
}

function Messages({ run }: { run: Run }) {
  return (
    <>
      {run.waiting && (
        <p role="status" className="sheet flex items-center gap-2 border-l-4 border-l-watch px-4 py-2">
          <Diamond />
          <span>
            <b className="font-semibold">{say('run.notSavedYet', { waiting: run.waiting.join(', ') })}</b>{' '}
            {say('run.tubrinDoesNotAnswerOr')}
          </span>
        </p>
      )}
      {run.notice && (
        <div role="alert" className="sheet flex items-start gap-3 border-l-4 border-l-limit px-4 py-2">
          <p className="grow">
            <b className="font-semibold">{run.notice.title}</b> <span className="text-soft">{run.notice.detail}</span>
          </p>
          <Button kind="quiet" onClick={run.dismiss}>
            {say('shared.seen')}
          </Button>
        </div>
      )}
    </>
  );
}
