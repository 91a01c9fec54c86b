import { useEffect } from 'react';
import type { RunView } from '../../api';
import { Kbd, useOpening } from '../../parts';
import { Button } from '../../parts/ui';
import { fixed, seconds } from '../../quantity';
import { say, within } from '../../words';
import { foreseen, PointerList } from './Pointers';
import { Caption } from './sound/SoundLine';
import { useClock } from './useClock';
import { type DialKeys, isTuned } from './useDials';
import { useNearest, useOver } from './useLive';

/** Sentences up to so many letters stand in the largest type. */
const SHORT = 46;

interface Props {
  view: RunView;
  skewMs: number;
  dials: DialKeys;
  keyed: boolean;
  /** Whether an answer to what was done may come at any moment. */
  unanswered: boolean;
  caption: string;
  leave: () => void;
}

/** Next move, dials, clock and the limit that is nearest, as large as the screen allows: to be read from the amplifier. */
export function Glance({ view, skewMs, dials, keyed, unanswered, caption, leave }: Props) {
  const head = useOpening<HTMLHeadingElement>();
  const live = useOver();
  const over = keyed ? live : undefined;
  const sentence = over ?? view.advice.sentence;
  useEffect(() => {
    const root = document.documentElement;
    root.dataset.glance = '';
    return () => {
      delete root.dataset.glance;
    };
  }, []);
  return (
    <section
      aria-label={say('run.glance')}
      data-part="glance"
      className="flex min-h-screen flex-col gap-4 bg-sheet p-5"
    >
      <div className="flex items-baseline gap-4 text-18 text-soft">
        <span>{view.title}</span>
        <Caption text={caption} />
        <Button kind="bare" className="gap-1" onClick={leave}>
          <Kbd>F</Kbd> {say('run.back')}
        </Button>
      </div>
      <div role={over ? 'alert' : 'status'} className="grow">
        <h1
          ref={head}
          tabIndex={-1}
          data-part="sentence"
          data-busy={unanswered || undefined}
          className={`head leading-head ${sentence.length > SHORT ? 'text-glance-long' : 'text-glance'} ${
            over || view.advice.move === 'UNKEY' ? 'border-l-8 border-limit pl-4 text-limit' : ''
          }`}
        >
          {sentence}
        </h1>
        {view.advice.meterSwitch && (
          <p className="mt-3 text-glance-small leading-head">
            {say('run.meterSwitch', { meterSwitch: view.advice.meterSwitch })}
          </p>
        )}
        {view.advice.stops.length > 0 && (
          <p className="mt-3 text-glance-small leading-head" data-part="stops">
            {say('run.turnBackAt', {
              stop: view.advice.stops.map((stop) => `${within(stop.label)} ${stop.shown}`).join(', '),
            })}
          </p>
        )}
      </div>
      {!keyed && <PointerList meters={foreseen(view)} large />}
      <dl className="flex flex-wrap items-end justify-between gap-x-8 gap-y-3">
        {isTuned(view) &&
          (['PLATE', 'LOAD'] as const).map((name) => (
            <Large key={name} label={name} figure={dialShown(dials.at[name])} />
          ))}
        <Clock view={view} skewMs={skewMs} />
        <Nearest view={view} keyed={keyed} />
      </dl>
    </section>
  );
}

function Large({ label, figure, grave = false }: { label: string; figure: string; grave?: boolean }) {
  return (
    <div className={grave ? 'text-limit' : ''}>
      <dt className="text-glance-small leading-head">{label}</dt>
      <dd className="figure text-glance-figure leading-none whitespace-nowrap">{figure}</dd>
    </div>
  );
}

const PHASES = {
  IDLE: say('shared.keyUp'),
  KEY_DOWN: say('shared.keyDown'),
  RESTING: say('run.rest'),
  READY: say('run.rested'),
} as const;

function Clock({ view, skewMs }: { view: RunView; skewMs: number }) {
  const { phase } = view.clock;
  const { elapsedS, leftS, beyond, resting } = useClock(view, skewMs);
  const figure =
    phase === 'KEY_DOWN'
      ? shortTime(Math.floor(elapsedS))
      : resting
        ? Number.isFinite(leftS)
          ? shortTime(leftS)
          : say('run.wait')
        : '–';
  const label = beyond ? say('run.keyUpNow') : phase === 'RESTING' && !resting ? say('run.rested') : PHASES[phase];
  return <Large label={label} figure={figure} grave={beyond} />;
}

const dialShown = (position: number | undefined) => (position === undefined ? '–' : fixed(position, 2));

/** A time that is no broader than a dial: 8 s, 2:13. */
function shortTime(s: number): string {
  return s < 60 ? seconds(s) : `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, '0')}`;
}

/** The limit that is nearest: of the live meters while the key is down, else of the last step. */
function Nearest({ view, keyed }: { view: RunView; keyed: boolean }) {
  const live = useNearest();
  const rooms = view.room.rooms.map((room) => ({
    label: room.label,
    share: room.share,
    grave: room.verdict === 'EXCEEDS',
  }));
  const row = live && view.rows.find((one) => one.role === live.role);
  const nearest =
    keyed && live
      ? { label: row?.label ?? live.role, share: live.share, grave: live.over }
      : rooms.sort((a, b) => b.share - a.share)[0];
  if (!nearest) return <Large label={say('run.noLimitRead')} figure="–" />;
  return (
    <Large
      label={say('run.ofLimit', { label: nearest.label })}
      figure={`${Math.round(nearest.share * 100)} %`}
      grave={nearest.grave}
    />
  );
}
