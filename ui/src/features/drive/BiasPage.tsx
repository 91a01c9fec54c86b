import { useRef } from 'react';
import { ask, type BiasPageView, client } from '../../api';
import { Answer, BiasDevices, Sheet } from '../../parts';
import { Cell, Heads, Table } from '../../parts/ui';
import { BiasStair, Sized } from '../../plot';
import { utc } from '../../quantity';
import { BiasStart } from './BiasStart';
import { KeptPage, Shown } from './KeptPage';
import { KeptRun } from './KeptRun';
import { useKept } from './useKept';

/** Idle currents as they were set, and a new climb to set them. */
export function BiasPage() {
  const { view, pick } = useKept('bias', 'Bias', (query) => ask(client.GET('/api/drive/bias', { params: { query } })));
  return (
    <Answer query={view} what="the idle currents">
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
      title="Idle current, device by device"
      run={
        row && (
          <>
            {row.amplifier}, {utc(row.at).slice(0, 10)}: {row.devices} × {row.idle} mA
          </>
        )
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
        <p className="text-soft">
          No idle current was set yet. Each transistor is brought up in small steps, keyed without drive, and left alone
          after each: one whose current rises by itself is turned down before it comes to harm. Then all are set hot.
        </p>
      )}
    </Shown>
  );
}

function Climbs({ view, onPick }: { view: BiasPageView; onPick: (run: string) => void }) {
  return (
    <Sheet title="Idle currents that were set">
      <Table caption="Idle currents that were set" quiet tight className="text-13">
        <Heads of={['amplifier', 'wanted, mA', 'came to']} />
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
