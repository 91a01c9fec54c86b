import { useRef } from 'react';
import { ask, client, type VoltsPageView } from '../../api';
import { Answer, Sheet, VoltsRows } from '../../parts';
import { Cell, Heads, Table } from '../../parts/ui';
import { SaveDrawing, Sized, VoltsCourse } from '../../plot';
import { utc } from '../../quantity';
import { DriveTabs } from './DriveTabs';
import { KeptRun } from './KeptRun';
import { useKept } from './useKept';
import { VoltsStart } from './VoltsStart';

/** Power by the volts of the supply, of amplifiers that switch, and a new table. */
export function VoltsPage() {
  const { view, pick } = useKept('volts', 'Supply volts', (query) =>
    ask(client.GET('/api/drive/volts', { params: { query } })),
  );
  return (
    <Answer query={view} what="the tables">
      {(data) => (
        <div className="m-5 grid grid-cols-one items-start gap-3.5 wide:grid-cols-main-side">
          <Shown view={data} />
          <div className="noprint grid grid-cols-one gap-3.5">
            <VoltsStart />
            {data.rows.length > 0 && <Tables view={data} onPick={pick} />}
          </div>
        </div>
      )}
    </Answer>
  );
}

function Shown({ view }: { view: VoltsPageView }) {
  const drawing = useRef<SVGSVGElement>(null);
  const row = view.rows.find((one) => one.runId === view.shownRunId);
  const volts = view.shown;
  return (
    <section aria-label="Power by supply volts" className="sheet grid grid-cols-one gap-2 px-4 pt-2.5 pb-3">
      <header className="flex flex-wrap items-baseline gap-x-3">
        <h1 className="text-22">Power by supply volts</h1>
        {row && volts && (
          <>
            <p className="text-soft">
              {row.amplifier}, {row.band}, {row.modules}, {utc(row.at).slice(0, 10)}
            </p>
            <SaveDrawing name={`volts-${row.amplifier.replaceAll(' ', '-')}`} drawing={() => drawing.current} />
          </>
        )}
        <DriveTabs />
      </header>
      {volts ? (
        <>
          <Sized>{(width) => <VoltsCourse volts={volts} width={width} drawing={drawing} />}</Sized>
          <VoltsRows volts={volts} />
        </>
      ) : (
        <p className="text-soft">
          No table yet. An amplifier that switches has one drive; its supply sets the power. From the lowest voltage up,
          3 dB of output at most a key-down, the table says which voltage brings which output, and what the heat sink
          comes to.
        </p>
      )}
    </section>
  );
}

function Tables({ view, onPick }: { view: VoltsPageView; onPick: (runId: string) => void }) {
  return (
    <Sheet title="Tables by supply volts">
      <Table caption="Tables by supply volts" quiet className="text-13">
        <Heads of={['amplifier', 'band', 'went up to']} />
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
