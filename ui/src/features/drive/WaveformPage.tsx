import { ask, client, type WaveformPageView } from '../../api';
import { Answer, Diamond, LookOrder, Sheet } from '../../parts';
import { Cell, Heads, Table } from '../../parts/ui';
import { Sized, TraceShown } from '../../plot';
import { utc } from '../../quantity';
import { DriveTabs } from './DriveTabs';
import { KeptRun } from './KeptRun';
import { useKept } from './useKept';
import { WaveformStart } from './WaveformStart';

/** What a scope over the load showed, by run, and a new look. */
export function WaveformPage() {
  const { view, pick } = useKept('waveform', 'Waveform', (query) =>
    ask(client.GET('/api/drive/waveform', { params: { query } })),
  );
  return (
    <Answer query={view} what="the waveforms">
      {(data) => (
        <div className="m-5 grid grid-cols-one items-start gap-3.5 wide:grid-cols-main-side">
          <Shown view={data} />
          <div className="noprint grid grid-cols-one gap-3.5">
            <WaveformStart suggested={data.rows[0]?.amplifier} />
            {data.rows.length > 0 && <Runs view={data} onPick={pick} />}
          </div>
        </div>
      )}
    </Answer>
  );
}

function Shown({ view }: { view: WaveformPageView }) {
  const row = view.rows.find((one) => one.runId === view.shownRunId);
  const shows = view.shown?.shows;
  return (
    <section aria-label="What the scope shows" className="sheet grid grid-cols-one gap-2 px-4 pt-2.5 pb-3">
      <header className="flex flex-wrap items-baseline gap-x-3">
        <h1 className="text-22">What the scope shows</h1>
        {row && (
          <p className="text-soft">
            {row.amplifier}, {row.band}, {utc(row.at).slice(0, 10)}
          </p>
        )}
        <DriveTabs />
      </header>
      {view.shown ? (
        <>
          <LookOrder scope={view.shown} />
          {shows && <Sized>{(width) => <TraceShown shows={shows} width={width} />}</Sized>}
          {view.shown.says.map((sentence) => (
            <p key={sentence}>{sentence}</p>
          ))}
        </>
      ) : (
        <p className="text-soft">
          Nothing was looked at yet. The volts to expect stand before each look: a carrier of the exciter alone, its two
          tones, then both through the amplifier.
        </p>
      )}
    </section>
  );
}

function Runs({ view, onPick }: { view: WaveformPageView; onPick: (runId: string) => void }) {
  return (
    <Sheet title="Waveforms that were looked at">
      <Table caption="Waveforms that were looked at" quiet className="text-13">
        <Heads of={['amplifier', 'band', 'came to']} />
        <tbody>
          {view.rows.map((row) => (
            <KeptRun key={row.runId} row={row} shownRunId={view.shownRunId} label={row.amplifier} onPick={onPick}>
              <Cell>{row.band}</Cell>
              <Cell>
                {!row.clean && <Diamond />} {row.came}
              </Cell>
            </KeptRun>
          ))}
        </tbody>
      </Table>
    </Sheet>
  );
}
