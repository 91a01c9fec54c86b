import type { RunView } from '../../api';
import { VoltsRows } from '../../parts';
import { VoltsCourse } from '../../plot';
import { say } from '../../words';
import { LastSheet } from './LastSheet';
import type { Run } from './useRun';

/** Output over the supply's volts, and the last rows. */
export function VoltsSheet({ view, run, readOnly }: { view: RunView; run: Run; readOnly: boolean }) {
  const volts = view.volts;
  return (
    <LastSheet
      view={view}
      run={run}
      readOnly={readOnly}
      label={say('run.rows')}
      belongs={(step) => step.modules === view.draft.modules}
      all={{ to: '/drive/volts', says: say('shared.tablesBySupplyVolts') }}
      fileName={`volts-${view.amplifier.replaceAll(' ', '-')}`}
      picture={(width, drawing) =>
        volts &&
        volts.rows.length > 0 && (
          <>
            <VoltsCourse volts={volts} width={width} drawing={drawing} />
            <VoltsRows volts={volts} />
          </>
        )
      }
    />
  );
}
