import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { ask, type CardView, client } from '../../api';
import { Answer, Button, FirstThing } from '../../parts';
import { utc } from '../../quantity';

export function CardsPage() {
  const cards = useQuery({ queryKey: ['cards'], queryFn: () => ask(client.GET('/api/cards')) });
  useEffect(() => {
    document.title = 'Cards · Tubrin';
  }, []);
  return (
    <Answer query={cards} what="the cards">
      {(rows) =>
        rows.length === 0 ? (
          <FirstThing title="No card yet" to={['/tune', 'Start a climb']}>
            A finished climb writes its dials here, so that next time takes seconds.
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
  return (
    <div className="m-5 grid grid-cols-[minmax(0,1fr)] gap-[14px] print:m-0">
      {amplifiers.map((amplifier, index) => (
        <Card
          key={amplifier}
          amplifier={amplifier}
          rows={rows.filter((row) => row.amplifier === amplifier)}
          withTools={index === 0}
        />
      ))}
    </div>
  );
}

function Card({ amplifier, rows, withTools }: { amplifier: string; rows: CardView[]; withTools: boolean }) {
  return (
    <section aria-label={`Tune card of ${amplifier}`} className="sheet px-5 py-4" data-part="card">
      <header className="mb-3 flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-27">{amplifier}</h1>
        <p className="text-soft">tune card, steady carrier</p>
        {withTools && (
          <span className="noprint ml-auto flex gap-3">
            <a className="inline-flex min-h-[32px] items-center text-act underline" href="/api/cards.csv" download>
              CSV
            </a>
            <Button onClick={() => window.print()}>Print</Button>
          </span>
        )}
      </header>
      <div className="overflow-x-auto">
        <table className="table w-full">
          <thead>
            <tr>
              <th scope="col">Band</th>
              <th scope="col">PLATE</th>
              <th scope="col">LOAD</th>
              <th scope="col">Drive, W</th>
              <th scope="col">Output, W</th>
              <th scope="col">Plate, mA</th>
              <th scope="col">Grid, mA</th>
              <th scope="col">Eff., %</th>
              <th scope="col">Tuned at, MHz</th>
              <th scope="col">Into</th>
              <th scope="col">Verified</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.runId}>
                <th scope="row" className="!text-ink">
                  <span className="head text-18">{row.bandName}</span>
                </th>
                <td className="figure text-22 font-semibold">{row.plate}</td>
                <td className="figure text-22 font-semibold">{row.load}</td>
                <td className="figure text-18">{row.driveW}</td>
                <td className="figure text-18">{row.outputW}</td>
                <td className="figure">{row.plateCurrentMa}</td>
                <td className="figure">{row.gridCurrentMa ?? '–'}</td>
                <td className="figure">{row.efficiencyPercent ?? '–'}</td>
                <td className="figure">{row.frequencyMhz}</td>
                <td>{row.termination}</td>
                <td>
                  <Link className="text-act underline" to={`/log/${row.runId}`}>
                    {utc(row.verifiedAt).slice(0, 10)}
                  </Link>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="mt-3 text-13 text-soft">
        Drive in voice must not exceed the drive tuned for. The maker's manual wins over this card.
      </p>
    </section>
  );
}
