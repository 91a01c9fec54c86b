import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { ask, type CardView, client } from '../../api';
import { Answer, FileButton, FirstThing, Trouble } from '../../parts';
import { Button, Cell, Head, Label, NONCE, RowHead, Select, Table } from '../../parts/ui';
import { utc } from '../../quantity';
import { say } from '../../words';
import { DialsAhead } from './DialsAhead';

const PAPERS = { a4: 'A4', letter: 'letter' } as const;
const PAPER_NAMES = [
  ['a4', 'A4'],
  ['letter', say('cards.letter')],
] as const;

export function CardsPage() {
  const cards = useQuery({ queryKey: ['cards'], queryFn: () => ask(client.GET('/api/cards')) });
  useEffect(() => {
    document.title = say('cards.cardsTubrin');
  }, []);
  return (
    <Answer query={cards} what={say('cards.theCards')}>
      {(rows) =>
        rows.length === 0 ? (
          <FirstThing title={say('cards.noCardYet')} to={['/tune', say('shared.startAClimb')]}>
            {say('cards.aFinishedClimbWritesIts')}
            <Bring />
          </FirstThing>
        ) : (
          <CardsOf rows={rows} />
        )
      }
    </Answer>
  );
}

function CardsOf({ rows }: { rows: CardView[] }) {
  const amplifiers = [...new Set(rows.map((row) => row.amplifier))];
  const [paper, setPaper] = useState<keyof typeof PAPERS>('a4');
  return (
    <div className="m-5 grid grid-cols-one gap-3.5 print:m-0 print:block">
      <style nonce={NONCE}>{`@page { size: ${PAPERS[paper]} landscape; margin: 10mm; }`}</style>
      <div className="noprint flex flex-wrap items-center gap-x-4 gap-y-2">
        <h1 className="text-22">{say('cards.tuneCards')}</h1>
        <span className="ml-auto flex flex-wrap items-center gap-3">
          <Bring />
          <Button kind="link" asChild>
            <a href="/api/cards.csv" download>
              CSV
            </a>
          </Button>
          <span className="flex items-center gap-2">
            <Label htmlFor="paper">{say('cards.paper')}</Label>
            <Select
              id="paper"
              value={paper}
              onPick={(code) => setPaper(code as keyof typeof PAPERS)}
              options={PAPER_NAMES}
            />
          </span>
          <Button onClick={() => window.print()}>{say('shared.print')}</Button>
        </span>
      </div>
      {amplifiers.map((amplifier) => (
        <Card key={amplifier} amplifier={amplifier} rows={rows.filter((row) => row.amplifier === amplifier)} />
      ))}
      <DialsAhead />
    </div>
  );
}

/** Rows of another card from a file. */
function Bring() {
  const queries = useQueryClient();
  const bring = useMutation({
    mutationFn: async (file: File) => ask(client.POST('/api/cards/import', { body: { text: await file.text() } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['cards'] }),
  });
  return (
    <span className="flex flex-wrap items-center gap-2">
      <FileButton label={say('cards.bringRowsInCSV')} accept=".csv,text/csv" onFile={bring.mutate} />
      {bring.data && (
        <span role="status">{say('cards.ofRowsWereNew', { kept: bring.data.kept, rows: bring.data.rows })}</span>
      )}
      {bring.error && <Trouble error={bring.error} />}
    </span>
  );
}

const EFFICIENCY = say('cards.eff');
const HEADS = [
  'PLATE',
  'LOAD',
  say('cards.driveW'),
  say('shared.outputW'),
  say('cards.plateMA'),
  say('cards.gridMA'),
  EFFICIENCY,
  say('shared.into'),
  say('cards.verified'),
];

function Card({ amplifier, rows }: { amplifier: string; rows: CardView[] }) {
  const switched = rows.some((row) => row.switchPosition);
  const uses = rows.some((row) => row.pulsed || row.use === 'LONG_CARRIER');
  return (
    <section
      aria-label={say('cards.tuneCardOf', { amplifier })}
      className="sheet card px-5 py-4"
      data-part="card"
      data-rows={rows.length > 9 ? 'many' : rows.length > 6 ? 'some' : 'few'}
    >
      <header className="mb-3 flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-27">{amplifier}</h2>
        <p className="text-soft">{say('cards.tuneCardSteadyCarrier')}</p>
      </header>
      <Table caption={say('cards.dialsAndReadingsOf', { amplifier })} quiet wide={say('cards.rowsOf', { amplifier })}>
        <thead>
          <tr>
            {[
              say('shared.band'),
              'MHz',
              ...(switched ? [say('cards.switch')] : []),
              ...(uses ? [say('cards.dialsFor')] : []),
              ...HEADS,
            ].map((head) => (
              <Head key={head} className={head === EFFICIENCY ? 'noprint' : ''}>
                {head}
              </Head>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <Row
              key={`${row.frequencyHz} ${row.termination} ${row.switchPosition} ${row.use}`}
              row={row}
              switched={switched}
              uses={uses}
            />
          ))}
        </tbody>
      </Table>
      <p className="mt-3 text-13 text-soft">{say('cards.driveInVoiceMustNot')}</p>
    </section>
  );
}

function Row({ row, switched, uses }: { row: CardView; switched: boolean; uses: boolean }) {
  return (
    <tr className={row.closed ? 'text-soft' : ''} data-closed={row.closed ? true : undefined}>
      <RowHead className={row.closed ? 'text-soft line-through' : 'text-ink'}>
        <span className="head big text-18">{row.bandName}</span>
      </RowHead>
      <Cell figure>{row.frequencyMhz}</Cell>
      {switched && <Cell>{row.switchPosition ?? '–'}</Cell>}
      {uses && (
        <Cell>
          {row.useName}
          {row.pulsed && `, ${say('cards.pulsed')}`}
        </Cell>
      )}
      <Cell figure className="huge text-22 font-semibold">
        {row.plate}
      </Cell>
      <Cell figure className="huge text-22 font-semibold">
        {row.load}
      </Cell>
      <Cell figure className="big text-18">
        {row.driveW}
      </Cell>
      <Cell figure className="big text-18">
        {row.outputW}
      </Cell>
      <Cell figure>{row.plateCurrentMa ?? '–'}</Cell>
      <Cell figure>{row.gridCurrentMa ?? '–'}</Cell>
      <Cell figure className="noprint">
        {row.efficiencyPercent ?? '–'}
      </Cell>
      <Cell>{row.termination}</Cell>
      <Cell>
        {row.runId ? (
          <Link className="text-act underline" to={`/log/${row.runId}`}>
            {utc(row.verifiedAt).slice(0, 10)}
          </Link>
        ) : (
          <span>{utc(row.verifiedAt).slice(0, 10)}</span>
        )}
        {row.times > 1 && <span className="text-13 text-soft"> {row.times}×</span>}
        {row.closed && (
          <span className="block text-13 text-watch">{say('cards.closedClimbAnew', { closed: row.closed })}</span>
        )}
        {row.drift && <span className="noprint block text-13 text-soft">{row.drift}</span>}
      </Cell>
    </tr>
  );
}
