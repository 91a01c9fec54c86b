import { useRef } from 'react';
import { ask, client, type WaveformPageView } from '../../api';
import { Answer, Diamond, LookOrder, Sheet } from '../../parts';
import { Cell, Heads, Table } from '../../parts/ui';
import { Sized, TraceShown } from '../../plot';
import { utc } from '../../quantity';
import { say } from '../../words';
import { KeptPage, Shown } from './KeptPage';
import { KeptRun } from './KeptRun';
import { useKept } from './useKept';
import { WaveformStart } from './WaveformStart';

/** What a scope over the load showed, by run, and a new look. */
export function WaveformPage() {
  const { view, pick } = useKept('waveform', say('drive.waveform'), (query) =>
    ask(client.GET('/api/drive/waveform', { params: { query } })),
  );
  return (
    <Answer query={view} what={say('drive.theWaveforms')}>
      {(data) => (
        <KeptPage shown={<Picture view={data} />}>
          <WaveformStart suggested={data.rows[0]?.amplifier} />
          {data.rows.length > 0 && <Runs view={data} onPick={pick} />}
        </KeptPage>
      )}
    </Answer>
  );
}

function Picture({ view }: { view: WaveformPageView }) {
  const drawing = useRef<SVGSVGElement>(null);
  const row = view.rows.find((one) => one.runId === view.shownRunId);
  const shows = view.shown?.shows;
  return (
    <Shown
      title={say('drive.whatTheScopeShows')}
      run={
        row && (
          <>
            {row.amplifier}, {row.band}, {utc(row.at).slice(0, 10)}
          </>
        )
      }
      fileName={`waveform-${row?.amplifier ?? ''}`}
      drawing={drawing}
    >
      {view.shown ? (
        <>
          <LookOrder scope={view.shown} />
          {shows && <Sized>{(width) => <TraceShown shows={shows} width={width} drawing={drawing} />}</Sized>}
          {view.shown.says.map((sentence) => (
            <p key={sentence}>{sentence}</p>
          ))}
        </>
      ) : (
        <p className="text-soft">{say('drive.nothingWasLookedAtYet')}</p>
      )}
    </Shown>
  );
}

function Runs({ view, onPick }: { view: WaveformPageView; onPick: (runId: string) => void }) {
  return (
    <Sheet title={say('drive.waveformsThatWereLookedAt')}>
      <Table caption={say('drive.waveformsThatWereLookedAt')} quiet className="text-13">
        <Heads of={[say('drive.amplifier'), say('shared.bandWithin'), say('drive.cameTo')]} />
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
