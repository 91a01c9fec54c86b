import { useRef } from 'react';
import { ask, client, type VoltsPageView } from '../../api';
import { Answer, Sheet, VoltsRows } from '../../parts';
import { Cell, Heads, Table } from '../../parts/ui';
import { Sized, VoltsCourse } from '../../plot';
import { utc } from '../../quantity';
import { say } from '../../words';
import { KeptPage, Shown } from './KeptPage';
import { KeptRun } from './KeptRun';
import { useKept } from './useKept';
import { VoltsStart } from './VoltsStart';

/** Power by the volts of the supply, of amplifiers that switch, and a new table. */
export function VoltsPage() {
  const { view, pick } = useKept('volts', say('drive.supplyVolts'), (query) =>
    ask(client.GET('/api/drive/volts', { params: { query } })),
  );
  return (
    <Answer query={view} what={say('drive.theTables')}>
      {(data) => (
        <KeptPage shown={<Picture view={data} />}>
          <VoltsStart />
          {data.rows.length > 0 && <Tables view={data} onPick={pick} />}
        </KeptPage>
      )}
    </Answer>
  );
}

function Picture({ view }: { view: VoltsPageView }) {
  const drawing = useRef<SVGSVGElement>(null);
  const row = view.rows.find((one) => one.runId === view.shownRunId);
  const volts = view.shown;
  return (
    <Shown
      title={say('drive.powerBySupplyVolts')}
      run={
        row &&
        volts && (
          <>
            {row.amplifier}, {row.band}, {row.modules}, {utc(row.at).slice(0, 10)}
          </>
        )
      }
      fileName={`volts-${row?.amplifier ?? ''}`}
      drawing={drawing}
    >
      {volts ? (
        <>
          <Sized>{(width) => <VoltsCourse volts={volts} width={width} drawing={drawing} />}</Sized>
          <VoltsRows volts={volts} />
        </>
      ) : (
        <p className="text-soft">{say('drive.noTableYetAnAmplifier')}</p>
      )}
    </Shown>
  );
}

function Tables({ view, onPick }: { view: VoltsPageView; onPick: (runId: string) => void }) {
  return (
    <Sheet title={say('shared.tablesBySupplyVolts')}>
      <Table caption={say('shared.tablesBySupplyVolts')} quiet className="text-13">
        <Heads of={[say('drive.amplifier'), say('shared.bandWithin'), say('drive.wentUpTo')]} />
        <tbody>
          {view.rows.map((row) => (
            <KeptRun
              key={row.runId}
              row={row}
              shownRunId={view.shownRunId}
              label={row.amplifier}
              detail={row.modules}
              onPick={onPick}
            >
              <Cell>{row.band}</Cell>
              <Cell>{row.came}</Cell>
            </KeptRun>
          ))}
        </tbody>
      </Table>
    </Sheet>
  );
}
