import { useRef } from 'react';
import { ask, type BiasPageView, client } from '../../api';
import { Answer, BiasDevices, Sheet } from '../../parts';
import { Cell, Heads, Table } from '../../parts/ui';
import { BiasStair, Sized } from '../../plot';
import { utc } from '../../quantity';
import { say } from '../../words';
import { BiasStart } from './BiasStart';
import { KeptPage, Shown } from './KeptPage';
import { KeptRun } from './KeptRun';
import { useKept } from './useKept';

/** Idle currents as they were set, and a new climb to set them. */
export function BiasPage() {
  const { view, pick } = useKept('bias', say('drive.bias'), (query) =>
    ask(client.GET('/api/drive/bias', { params: { query } })),
  );
  return (
    <Answer query={view} what={say('drive.theIdleCurrents')}>
      {(data) => (
        <KeptPage shown={<Picture view={data} />}>
          <BiasStart suggested={data.rows[0]?.amplifier} />
          {data.rows.length > 0 && <Climbs view={data} onPick={pick} />}
        </KeptPage>
      )}
    </Answer>
  );
}

function Picture({ view }: { view: BiasPageView }) {
  const drawing = useRef<SVGSVGElement>(null);
  const row = view.rows.find((one) => one.runId === view.shownRunId);
  const bias = view.shown;
  return (
    <Shown
      title={say('drive.idleCurrentDeviceByDevice')}
      run={
        row &&
        say('drive.mA', {
          amplifier: row.amplifier,
          day: utc(row.at).slice(0, 10),
          devices: row.devices,
          idle: row.idle,
        })
      }
      fileName={`bias-${row?.amplifier ?? ''}`}
      drawing={drawing}
    >
      {bias ? (
        <>
          <Sized>{(width) => <BiasStair drawing={drawing} {...bias} width={width} />}</Sized>
          <BiasDevices devices={bias.devices} />
          <ul className="grid gap-1">
            {bias.says.map((sentence) => (
              <li key={sentence}>{sentence}</li>
            ))}
          </ul>
        </>
      ) : (
        <p className="text-soft">{say('drive.noIdleCurrentWasSet')}</p>
      )}
    </Shown>
  );
}

function Climbs({ view, onPick }: { view: BiasPageView; onPick: (run: string) => void }) {
  return (
    <Sheet title={say('shared.idleCurrentsThatWereSet')}>
      <Table caption={say('shared.idleCurrentsThatWereSet')} quiet tight className="text-13">
        <Heads of={[say('drive.amplifier'), say('drive.wantedMA'), say('drive.cameTo')]} />
        <tbody>
          {view.rows.map((row) => (
            <KeptRun key={row.runId} row={row} shownRunId={view.shownRunId} label={row.amplifier} onPick={onPick}>
              <Cell figure>
                {row.devices} × {row.idle}
                <span className="block font-sans text-12 text-soft">{row.because}</span>
              </Cell>
              <Cell>{row.came}</Cell>
            </KeptRun>
          ))}
        </tbody>
      </Table>
    </Sheet>
  );
}
