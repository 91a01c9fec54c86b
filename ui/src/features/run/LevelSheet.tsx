import { useRef } from 'react';
import type { RunView } from '../../api';
import { LevelStair, SaveDrawing, Sized } from '../../plot';
import { LastSteps } from './LastSteps';
import type { Run } from './useRun';

/** Output and gauge over the level, and the levels of the set power and tone in hand; every one of them once the run is over. */
export function LevelSheet({ view, run, readOnly }: { view: RunView; run: Run; readOnly: boolean }) {
  const drawing = useRef<SVGSVGElement>(null);
  const levels = view.levels;
  const fileName = `alc-${view.startedAt.slice(0, 10)}-${view.exciter.replaceAll(' ', '-')}`;
  const hand = view.draft;
  return (
    <section aria-label={view.title} className="sheet overflow-hidden">
      <header className="flex flex-wrap items-baseline gap-x-3 px-4 pt-2.5 pb-1">
        <h1 className="text-22">{view.title}</h1>
        <p className="text-soft">{view.subtitle}</p>
        <SaveDrawing name={fileName} csv={`/api/runs/${view.id}/steps.csv`} drawing={() => drawing.current} />
      </header>
      {levels && (
        <Sized>
          {(width) => (
            <div className="px-4">
              <LevelStair
                drawing={drawing}
                points={levels.series[0]?.points ?? []}
                setPowerW={levels.setPowerW}
                gaugeEnd={levels.gaugeEnd}
                knee={levels.knee}
                window={levels.window}
                gauge={levels.gauge}
                width={width - 32}
              />
            </div>
          )}
        </Sized>
      )}
      <LastSteps
        view={view}
        run={run}
        readOnly={readOnly}
        label="Levels"
        belongs={(step) => step.drive === hand.drive && step.tone === hand.tone}
        all={{ to: '/drive/alc', says: 'Levels of every exciter' }}
      />
    </section>
  );
}
