import { ask, client, type MatcherPageView } from '../../api';
import { Answer, Diamond, MatchOrder, Sheet } from '../../parts';
import { Button, Cell, Fold, Heads, RowHead, ScrollArea, Table } from '../../parts/ui';
import { utc } from '../../quantity';
import { DriveTabs } from './DriveTabs';
import { KeptRun } from './KeptRun';
import { MatcherStart } from './MatcherStart';
import { useKept } from './useKept';

/** Matchers as they were tuned, the match at the input of each band, and a new run. */
export function MatcherPage() {
  const { view, pick } = useKept('matcher', 'Matcher', (query) =>
    ask(client.GET('/api/drive/matcher', { params: { query } })),
  );
  return (
    <Answer query={view} what="the matchers">
      {(data) => (
        <div className="m-5 grid grid-cols-one items-start gap-3.5 wide:grid-cols-main-side print:m-0 print:block">
          <div className="grid grid-cols-one gap-3.5">
            <Shown view={data} />
            {data.bands.length > 0 && <Bands view={data} />}
            <SelfTest />
          </div>
          <div className="noprint grid grid-cols-one gap-3.5">
            <MatcherStart suggested={data.rows[0]} amplifier={data.amplifier} />
            {data.rows.length > 0 && <Runs view={data} onPick={pick} />}
          </div>
        </div>
      )}
    </Answer>
  );
}

function Shown({ view }: { view: MatcherPageView }) {
  const row = view.rows.find((one) => one.runId === view.shownRunId);
  return (
    <section aria-label="Matcher, in its order" className="noprint sheet grid grid-cols-one gap-2 px-4 pt-2.5 pb-3">
      <header className="flex flex-wrap items-baseline gap-x-3">
        <h1 className="text-22">Matcher, in its order</h1>
        {row && (
          <p className="text-soft">
            {row.amplifier} into {row.termination}, {row.frequencyMhz.toFixed(3)} MHz, {utc(row.at).slice(0, 10)}
          </p>
        )}
        <DriveTabs />
      </header>
      {view.shown ? (
        <>
          <MatchOrder match={view.shown} />
          {view.shown.says.map((sentence) => (
            <p key={sentence}>{sentence}</p>
          ))}
        </>
      ) : (
        <p className="text-soft">
          No matcher was tuned yet. The power amplifier comes off first, and both powers prove it; it comes on last, at
          a tenth of full drive.
        </p>
      )}
    </section>
  );
}

/** Input match by band, and what is by hand at each change of band where no cable of the maker does it. */
function Bands({ view }: { view: MatcherPageView }) {
  const title = view.byHand.length > 0 ? 'By hand at each change of band' : 'Input match';
  return (
    <Sheet title={`${title}: ${view.amplifier}`} part="match-bands">
      <div className="flex flex-wrap items-start gap-x-4 gap-y-2">
        <ol className="list-decimal pl-5">
          {view.byHand.map((point) => (
            <li key={point}>{point}</li>
          ))}
        </ol>
        <Button className="noprint ml-auto" onClick={() => window.print()}>
          Print
        </Button>
      </div>
      <p className="mt-2 text-13 text-soft">{view.inputs}</p>
      <ScrollArea label="By band">
        <Table caption="By band" quiet tight className="mt-2 text-13">
          <Heads of={['', 'tune at, W', 'SWR matched', 'run at, W', 'SWR amplifying', '']} end />
          <tbody>
            {view.bands.map((band) => (
              <tr key={band.band}>
                <RowHead>{band.name}</RowHead>
                {[band.tuneAt, band.matched, band.runAt, band.amplifying].map((shown, index) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: a column is its heading
                  <Cell key={index} figure end className="whitespace-nowrap">
                    {shown ?? '–'}
                  </Cell>
                ))}
                <Cell className="pl-3">
                  {band.verdict === 'MAY_FOLD_BACK' && <Diamond />} <span className="text-soft">{band.says}</span>
                </Cell>
              </tr>
            ))}
          </tbody>
        </Table>
      </ScrollArea>
    </Sheet>
  );
}

/** What tells a matcher's own fault from its reach. */
function SelfTest() {
  return (
    <Fold title="Self-test of a matcher" className="noprint sheet px-4 py-2.5">
      <ol className="mt-2 list-decimal pl-5">
        <li>Power amplifier off, a dummy load of 50 Ω, power above the matcher’s minimum.</li>
        <li>All out: SWR 1.1 or less. More is a bypass or a relay that sticks.</li>
        <li>
          Each capacitor in alone, the smallest first: the SWR rises, and further from 1 with each. One that changes
          nothing does not switch in; one at which next to nothing gets through is shorted.
        </li>
        <li>Then each inductor in alone, the same way. On a low band the smallest tell nothing: take a high one.</li>
        <li>Write down which fail; then the known load of 1 to 3 as a run.</li>
      </ol>
    </Fold>
  );
}

function Runs({ view, onPick }: { view: MatcherPageView; onPick: (run: string) => void }) {
  return (
    <Sheet title="Matchers that were tuned">
      <Table caption="Matchers that were tuned" quiet tight className="text-13">
        <Heads of={['into', 'SWR', 'came to']} />
        <tbody>
          {view.rows.map((row) => (
            <KeptRun
              key={row.runId}
              row={row}
              shownRunId={view.shownRunId}
              label={row.termination}
              detail={row.band}
              onPick={onPick}
            >
              <Cell figure>
                <span className="block whitespace-nowrap">{row.bypassed ?? '–'}</span>
                <span className="block whitespace-nowrap">→ {row.matched ?? '–'}</span>
              </Cell>
              <Cell>{row.came}</Cell>
            </KeptRun>
          ))}
        </tbody>
      </Table>
    </Sheet>
  );
}
