import { useRef } from 'react';
import type { RunView } from '../../api';
import { SaveDrawing, Sized, WayUp } from '../../plot';
import { LastSteps } from './LastSteps';
import type { Run } from './useRun';

/** The way up as a stair, and the last key-downs; all of them once the run is over. */
export function ChainSheet({ view, run, readOnly }: { view: RunView; run: Run; readOnly: boolean }) {
  const drawing = useRef<SVGSVGElement>(null);
  const chain = view.chain;
  const fileName = `chain-${view.startedAt.slice(0, 10)}-${view.amplifier.replaceAll(' ', '-')}`;
  return (
    <section aria-label={view.title} className="sheet overflow-hidden">
      <header className="flex flex-wrap items-baseline gap-x-3 px-4 pt-2.5 pb-1">
        <h1 className="text-22">{view.title}</h1>
        <p className="text-soft">{view.subtitle}</p>
        <SaveDrawing name={fileName} csv={`/api/runs/${view.id}/steps.csv`} drawing={() => drawing.current} />
      </header>
      {chain && (
        <Sized>
          {(width) => (
            <div className="px-4">
              <WayUp drawing={drawing} {...chain} width={width - 32} />
            </div>
          )}
        </Sized>
      )}
      <LastSteps
        view={view}
        run={run}
        readOnly={readOnly}
        label="Key-downs"
        all={{ to: '/drive/chain', says: 'Chain' }}
      />
    </section>
  );
}
