import { ask, client, type MatcherPageView } from '../../api';
import { Answer, Diamond, MatchOrder, Sheet } from '../../parts';
import { Button, Cell, Fold, Heads, RowHead, ScrollArea, Table } from '../../parts/ui';
import { fixed, utc } from '../../quantity';
import { say } from '../../words';
import { DriveTabs } from './DriveTabs';
import { KeptRun } from './KeptRun';
import { MatcherStart } from './MatcherStart';
import { useKept } from './useKept';

/** Matchers as they were tuned, the match at the input of each band, and a new run. */
export function MatcherPage() {
  const { view, pick } = useKept('matcher', say('shared.matcher'), (query) =>
    ask(client.GET('/api/drive/matcher', { params: { query } })),
  );
  return (
    <Answer query={view} what={say('drive.theMatchers')}>
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
    <section
      aria-label={say('drive.matcherInItsOrder')}
      className="noprint sheet grid grid-cols-one gap-2 px-4 pt-2.5 pb-3"
    >
      <header className="flex flex-wrap items-baseline gap-x-3">
        <h1 className="text-22">{say('drive.matcherInItsOrder')}</h1>
        {row && (
          <p className="text-soft">
            {say('drive.intoMHz', {
              amplifier: row.amplifier,
              termination: row.termination,
              mhz: fixed(row.frequencyMhz, 3),
              day: utc(row.at).slice(0, 10),
            })}
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
        <p className="text-soft">{say('drive.noMatcherWasTunedYet')}</p>
      )}
    </section>
  );
}

/** Input match by band, and what is by hand at each change of band where no cable of the maker does it. */
function Bands({ view }: { view: MatcherPageView }) {
  const title = view.byHand.length > 0 ? say('drive.byHandAtEachChange') : say('drive.inputMatch');
  return (
    <Sheet title={`${title}: ${view.amplifier}`} part="match-bands">
      <div className="flex flex-wrap items-start gap-x-4 gap-y-2">
        <ol className="list-decimal pl-5">
          {view.byHand.map((point) => (
            <li key={point}>{point}</li>
          ))}
        </ol>
        <Button className="noprint ml-auto" onClick={() => window.print()}>
          {say('shared.print')}
        </Button>
      </div>
      <p className="mt-2 text-13 text-soft">{view.inputs}</p>
      <ScrollArea label={say('drive.byBand')}>
        <Table caption={say('drive.byBand')} quiet tight className="mt-2 text-13">
          <Heads
            of={[
              '',
              say('drive.tuneAtW'),
              say('drive.swrMatched'),
              say('drive.runAtW'),
              say('drive.swrAmplifying'),
              '',
            ]}
            end
          />
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
    <Fold title={say('drive.selfTestOfAMatcher')} className="noprint sheet px-4 py-2.5">
      <ol className="mt-2 list-decimal pl-5">
        <li>{say('drive.powerAmplifierOffADummy')}</li>
        <li>{say('drive.allOutSWR11')}</li>
        <li>{say('drive.eachCapacitorInAloneThe')}</li>
        <li>{say('drive.thenEachInductorInAlone')}</li>
        <li>{say('drive.writeDownWhichFailThen')}</li>
      </ol>
    </Fold>
  );
}

function Runs({ view, onPick }: { view: MatcherPageView; onPick: (run: string) => void }) {
  return (
    <Sheet title={say('shared.matchersThatWereTuned')}>
      <Table caption={say('shared.matchersThatWereTuned')} quiet tight className="text-13">
        <Heads of={[say('drive.into'), 'SWR', say('drive.cameTo')]} />
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
