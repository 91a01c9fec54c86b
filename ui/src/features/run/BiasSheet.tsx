import { useRef } from 'react';
import type { RunView } from '../../api';
import { BiasStair, SaveDrawing, Sized } from '../../plot';
import { LastSteps } from './LastSteps';
import { useLiveReading } from './useLive';
import type { Run } from './useRun';

/** The stair of the devices with what the meter shows now, and the last readings; all of them once the run is over. */
export function BiasSheet({ view, run, readOnly }: { view: RunView; run: Run; readOnly: boolean }) {
  const drawing = useRef<SVGSVGElement>(null);
  const sense = useLiveReading('SENSE_VOLTAGE');
  const feed = useLiveReading('DEVICE_CURRENT');
  const bias = view.bias;
  const fileName = `bias-${view.startedAt.slice(0, 10)}-${view.amplifier.replaceAll(' ', '-')}`;
  const live = sense ?? feed;
  return (
    <section aria-label={view.title} className="sheet overflow-hidden">
      <header className="flex flex-wrap items-baseline gap-x-3 px-4 pt-2.5 pb-1">
        <h1 className="text-22">{view.title}</h1>
        <p className="text-soft">{view.subtitle}</p>
        <SaveDrawing name={fileName} csv={`/api/runs/${view.id}/steps.csv`} drawing={() => drawing.current} />
      </header>
      {bias && (
        <Sized>
          {(width) => (
            <div className="px-4">
              <BiasStair
                drawing={drawing}
                {...bias}
                now={readOnly ? undefined : { device: Number(view.draft.device), value: live?.value }}
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
        label="Readings"
        all={{ to: '/drive/bias', says: 'Idle currents that were set' }}
      />
    </section>
  );
}
