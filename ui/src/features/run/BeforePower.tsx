import type { Act, RunView } from '../../api';
import { useNow } from '../../parts';
import { Button, Progress } from '../../parts/ui';
import { seconds } from '../../quantity';
import { say } from '../../words';

/** The points before power in one list, in the order of switching on: before anything is on, with the heaters, warm. */
export function BeforePower({ view, skewMs, act }: { view: RunView; skewMs: number; act: (act: Act) => void }) {
  const open = view.preflight.findIndex((point) => !point.answered && point.due);
  const warmUpIsNext = view.advice.move === 'SWITCH_HEATERS_ON' || view.advice.move === 'WAIT_FOR_WARMTH';
  const current = warmUpIsNext ? -1 : open;
  const cold = view.preflight.filter((point) => point.moment === 'COLD').length;
  return (
    <section aria-label={say('run.beforePower')} className="sheet px-5 py-4">
      <header className="mb-3 flex flex-wrap items-baseline gap-x-3">
        <h1 className="text-22">{say('run.beforePower')}</h1>
        <p className="text-soft">{view.subtitle}</p>
      </header>
      <ol className="grid">
        {view.preflight.map((point, index) => [
          index === cold && <WarmUp key="warm-up" view={view} skewMs={skewMs} current={warmUpIsNext} />,
          <li
            key={point.code}
            className={`flex min-h-10 items-center gap-3 border-t border-hair px-2 text-18 ${index === current ? 'bg-wash' : ''}`}
          >
            <Tick done={point.answered} />
            <span className={point.answered || !point.due ? 'text-soft' : ''}>{point.text}</span>
            {!point.answered && point.due && index !== current && (
              <Button
                kind="quiet"
                className="ml-auto"
                aria-label={say('run.yes', { text: point.text })}
                onClick={() => act({ act: 'CHECK', check: point.code as Act['check'] })}
              >
                {say('run.yesAlone')}
              </Button>
            )}
            {!point.due && <span className="ml-auto text-13 text-soft">{WHEN[point.moment]}</span>}
          </li>,
        ])}
      </ol>
    </section>
  );
}

const WHEN: Partial<Record<RunView['preflight'][number]['moment'], string>> = {
  HEATERS_ON: say('run.withTheHeatersOn'),
  WARM: say('run.whenWarm'),
};

function WarmUp({ view, skewMs, current }: { view: RunView; skewMs: number; current: boolean }) {
  const warm = view.warm;
  const now = useNow(500, warm.heatersOnSince !== undefined);
  const gone = warm.heatersOnSince ? (now + skewMs - Date.parse(warm.heatersOnSince)) / 1000 : 0;
  const left = Math.max(0, warm.wholeS - gone);
  const share = warm.wholeS > 0 ? Math.min(1, gone / warm.wholeS) : 1;
  // What has no heaters has nothing to wait for.
  if (warm.wholeS <= 0) return null;
  return (
    <li className={`border-t border-hair px-2 py-2 text-18 ${current ? 'bg-wash' : ''}`}>
      <div className="flex items-center gap-3">
        <Tick done={left <= 0 && warm.heatersOnSince !== undefined} />
        <span>{say('run.heatersOnTubesWarm')}</span>
        <span className="figure ml-auto">
          {warm.heatersOnSince
            ? left > 0
              ? say('run.left', { left: seconds(left) })
              : say('run.warm')
            : say('run.takes', { time: seconds(warm.wholeS) })}
        </span>
      </div>
      {warm.heatersOnSince && left > 0 && <Progress label={say('shared.warmUp')} share={share} className="mt-2" />}
      {warm.speed > 1 && (
        <p className="mt-1 text-13 text-watch">{say('run.demonstrationTheWarmUpCounts', { speed: warm.speed })}</p>
      )}
    </li>
  );
}

function Tick({ done }: { done: boolean }) {
  return (
    <svg width="18" height="18" viewBox="0 0 18 18" className="shrink-0">
      <title>{done ? say('run.answered') : say('run.open')}</title>
      <rect x="1.5" y="1.5" width="15" height="15" fill="none" className="stroke-soft" strokeWidth="1.5" />
      {done && <path d="M4 9.5 7.5 13 14 5" fill="none" className="stroke-ink" strokeWidth="2.5" />}
    </svg>
  );
}
