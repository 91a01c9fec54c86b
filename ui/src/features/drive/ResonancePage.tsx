import { useRef } from 'react';
import { ask, client, type ResonancePageView } from '../../api';
import { Answer, ResonanceFigures, Sheet } from '../../parts';
import { Cell, Heads, Table } from '../../parts/ui';
import { SaveDrawing, Sized, Wander } from '../../plot';
import { utc } from '../../quantity';
import { DriveTabs } from './DriveTabs';
import { KeptRun } from './KeptRun';
import { ResonanceStart } from './ResonanceStart';
import { useKept } from './useKept';

/** How antennas of the low bands drifted, by run, and a new watch. */
export function ResonancePage() {
  const { view, pick } = useKept('resonance', 'Resonance', (query) =>
    ask(client.GET('/api/drive/resonance', { params: { query } })),
  );
  return (
    <Answer query={view} what="the antennas">
      {(data) => (
        <div className="m-5 grid grid-cols-one items-start gap-3.5 wide:grid-cols-main-side">
          <Shown view={data} />
          <div className="noprint grid grid-cols-one gap-3.5">
            <ResonanceStart />
            {data.rows.length > 0 && <Watches view={data} onPick={pick} />}
          </div>
        </div>
      )}
    </Answer>
  );
}

function Shown({ view }: { view: ResonancePageView }) {
  const drawing = useRef<SVGSVGElement>(null);
  const row = view.rows.find((one) => one.runId === view.shownRunId);
  const watch = view.shown;
  return (
    <section aria-label="How the antenna drifts" className="sheet grid grid-cols-one gap-2 px-4 pt-2.5 pb-3">
      <header className="flex flex-wrap items-baseline gap-x-3">
        <h1 className="text-22">How the antenna drifts</h1>
        {row && watch && (
          <>
            <p className="text-soft">
              {row.antenna}, {row.band}, {utc(row.at).slice(0, 10)}
            </p>
            <SaveDrawing name={`resonance-${row.antenna.replaceAll(' ', '-')}`} drawing={() => drawing.current} />
          </>
        )}
        <DriveTabs />
      </header>
      {watch ? (
        <>
          <Sized>{(width) => <Wander watch={watch} width={width} drawing={drawing} />}</Sized>
          <ResonanceFigures watch={watch} />
          {watch.says.map((sentence) => (
            <p key={sentence}>{sentence}</p>
          ))}
        </>
      ) : (
        <p className="text-soft">
          No antenna was watched yet. A short wire of a low band wanders with wind within seconds and with rain over
          hours: its phase is read while you send, and its motor turned by short steps until the sign turns.
        </p>
      )}
    </section>
  );
}

function Watches({ view, onPick }: { view: ResonancePageView; onPick: (runId: string) => void }) {
  return (
    <Sheet title="Antennas that were watched">
      <Table caption="Antennas that were watched" quiet className="text-13">
        <Heads of={['antenna', 'band', 'drift at its end', 'then']} />
        <tbody>
          {view.rows.map((row) => (
            <KeptRun key={row.runId} row={row} shownRunId={view.shownRunId} label={row.antenna} onPick={onPick}>
              <Cell>{row.band}</Cell>
              <Cell figure>{row.drift ? `${row.drift} an hour` : '–'}</Cell>
              <Cell>{row.came}</Cell>
            </KeptRun>
          ))}
        </tbody>
      </Table>
    </Sheet>
  );
}
