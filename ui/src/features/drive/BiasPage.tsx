import { useRef } from 'react';
import { ask, type BiasPageView, client } from '../../api';
import { Answer, BiasDevices, Sheet } from '../../parts';
import { Cell, Heads, Table } from '../../parts/ui';
import { BiasStair, SaveDrawing, Sized } from '../../plot';
import { utc } from '../../quantity';
import { BiasStart } from './BiasStart';
import { DriveTabs } from './DriveTabs';
import { KeptRun } from './KeptRun';
import { useKept } from './useKept';

/** Idle currents as they were set, and a new climb to set them. */
export function BiasPage() {
  const { view, pick } = useKept('bias', 'Bias', (query) => ask(client.GET('/api/drive/bias', { params: { query } })));
  return (
    <Answer query={view} what="the idle currents">
      {(data) => (
        <div className="m-5 grid grid-cols-one items-start gap-3.5 wide:grid-cols-main-side">
          <Picture view={data} />
          <div className="grid grid-cols-one gap-3.5">
            <BiasStart suggested={data.rows[0]?.amplifier} />
            {data.rows.length > 0 && <Climbs view={data} onPick={pick} />}
          </div>
        </div>
      )}
    </Answer>
  );
}

function Picture({ view }: { view: BiasPageView }) {
  const drawing = useRef<SVGSVGElement>(null);
  const row = view.rows.find((one) => one.runId === view.shownRunId);
  const bias = view.shown;
  return (
    <section aria-label="Idle current, device by device" className="sheet grid grid-cols-one gap-2 px-4 pt-2.5 pb-3">
      <header className="flex flex-wrap items-baseline gap-x-3">
        <h1 className="text-22">Idle current, device by device</h1>
        {row && (
          <>
            <p className="text-soft">
              {row.amplifier}, {utc(row.at).slice(0, 10)}: {row.devices} × {row.idle} mA
            </p>
            <SaveDrawing name={`bias-${row.amplifier.replaceAll(' ', '-')}`} drawing={() => drawing.current} />
          </>
        )}
        <DriveTabs />
      </header>
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
    </section>
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
