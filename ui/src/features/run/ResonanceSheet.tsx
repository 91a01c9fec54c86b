import type { RunView } from '../../api';
import { Wander } from '../../plot';
import { say } from '../../words';
import { LastSheet } from './LastSheet';
import type { Run } from './useRun';

/** Where resonance was over the day, with the weather, and the last readings. */
export function ResonanceSheet({ view, run, readOnly }: { view: RunView; run: Run; readOnly: boolean }) {
  const watch = view.resonance;
  return (
    <LastSheet
      view={view}
      run={run}
      readOnly={readOnly}
      label={say('shared.readings')}
      all={{ to: '/drive/resonance', says: say('shared.antennasThatWereWatched') }}
      fileName={`resonance-${view.termination.replaceAll(' ', '-')}`}
      picture={(width, drawing) =>
        watch && watch.readings.length > 0 && <Wander watch={watch} width={width} drawing={drawing} />
      }
    />
  );
}
