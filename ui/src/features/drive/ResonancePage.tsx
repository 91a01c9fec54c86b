import { useRef } from 'react';
import { ask, client, type ResonancePageView } from '../../api';
import { Answer, ResonanceFigures, Sheet } from '../../parts';
import { Cell, Heads, Table } from '../../parts/ui';
import { Sized, Wander } from '../../plot';
import { utc } from '../../quantity';
import { KeptPage, Shown } from './KeptPage';
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
        <KeptPage shown={<Picture view={data} />}>
          <ResonanceStart />
          {data.rows.length > 0 && <Watches view={data} onPick={pick} />}
        </KeptPage>
      )}
    </Answer>
  );
}

function Picture({ view }: { view: ResonancePageView }) {
  const drawing = useRef<SVGSVGElement>(null);
  const row = view.rows.find((one) => one.runId === view.shownRunId);
  const watch = view.shown;
  return (
    <Shown
      title="How the antenna drifts"
      run={
        row &&
        watch && (
          <>
            {row.antenna}, {row.band}, {utc(row.at).slice(0, 10)}
          </>
        )
      }
      fileName={`resonance-${row?.antenna ?? ''}`}
      drawing={drawing}
    >
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
    </Shown>
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
