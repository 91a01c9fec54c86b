import { useRef } from 'react';
import { ask, client, type ResonancePageView } from '../../api';
import { Answer, ResonanceFigures, Sheet } from '../../parts';
import { Cell, Heads, Table } from '../../parts/ui';
import { Sized, Wander } from '../../plot';
import { utc } from '../../quantity';
import { say } from '../../words';
import { KeptPage, Shown } from './KeptPage';
import { KeptRun } from './KeptRun';
import { ResonanceStart } from './ResonanceStart';
import { useKept } from './useKept';

/** How antennas of the low bands drifted, by run, and a new watch. */
export function ResonancePage() {
  const { view, pick } = useKept('resonance', say('drive.resonance'), (query) =>
    ask(client.GET('/api/drive/resonance', { params: { query } })),
  );
  return (
    <Answer query={view} what={say('drive.theAntennas')}>
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
      title={say('drive.howTheAntennaDrifts')}
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
        <p className="text-soft">{say('drive.noAntennaWasWatchedYet')}</p>
      )}
    </Shown>
  );
}

function Watches({ view, onPick }: { view: ResonancePageView; onPick: (runId: string) => void }) {
  return (
    <Sheet title={say('shared.antennasThatWereWatched')}>
      <Table caption={say('shared.antennasThatWereWatched')} quiet className="text-13">
        <Heads of={[say('drive.antenna'), say('shared.bandWithin'), say('drive.driftAtItsEnd'), say('drive.then')]} />
        <tbody>
          {view.rows.map((row) => (
            <KeptRun key={row.runId} row={row} shownRunId={view.shownRunId} label={row.antenna} onPick={onPick}>
              <Cell>{row.band}</Cell>
              <Cell figure className="whitespace-normal">
                {row.drift ? say('drive.anHour', { drift: row.drift }) : '–'}
              </Cell>
              <Cell>{row.came}</Cell>
            </KeptRun>
          ))}
        </tbody>
      </Table>
    </Sheet>
  );
}
