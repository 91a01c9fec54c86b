import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link, useParams } from 'react-router';
import { ask, type CompareRunsView, client } from '../../api';
import { Answer, Diamond } from '../../parts';
import { Cell, Head, RowHead, Table } from '../../parts/ui';
import { utc } from '../../quantity';
import { say } from '../../words';

/** Two runs beside each other, step by step. */
export function ComparePage() {
  const { first = '', second = '' } = useParams();
  const both = useQuery({
    queryKey: ['compare', first, second],
    queryFn: () => ask(client.GET('/api/runs/compare', { params: { query: { first, second } } })),
  });
  useEffect(() => {
    document.title = say('log.twoRunsTubrin');
  }, []);
  return (
    <Answer query={both} what={say('log.theTwoRuns')}>
      {(data) => (
        <section aria-label={say('log.twoRuns')} className="sheet m-5 px-5 py-4">
          <header className="mb-3 flex flex-wrap items-baseline gap-4">
            <h1 className="text-22">{say('log.twoRuns')}</h1>
            <Link className="text-act underline" to="/log">
              {say('log.backToTheLog')}
            </Link>
            <p className="text-13 text-soft">{say('log.markedWhereTheyDifferBy')}</p>
          </header>
          {data.unlike && (
            <p className="mb-3 flex items-baseline gap-2 text-watch">
              <Diamond />
              {data.unlike}
            </p>
          )}
          <Both data={data} />
        </section>
      )}
    </Answer>
  );
}

function Both({ data }: { data: CompareRunsView }) {
  return (
    <Table caption={say('log.bothRunsStepByStep')} quiet wide={say('log.bothRuns')} className="max-w-245">
      <thead>
        <tr>
          <Head>{say('log.at')}</Head>
          <Head>{say('log.figure')}</Head>
          {[data.first, data.second].map((run, index) => (
            <Head key={run.id + String(index)} className="whitespace-normal">
              <Link className="figure text-act underline" to={`/log/${run.id}`}>
                {utc(run.startedAt)}
              </Link>
              <span className="block">{run.what}</span>
              {run.conditions && <span className="block">{run.conditions}</span>}
            </Head>
          ))}
          <Head>{say('log.secondLessFirst')}</Head>
        </tr>
      </thead>
      <tbody>
        {data.pairs.flatMap((pair) =>
          pair.rows.map((row, index) => (
            <tr key={pair.drive + row.label}>
              {index === 0 && (
                <RowHead scope="rowgroup" rowSpan={pair.rows.length} className="figure align-top text-18 text-ink">
                  {pair.drive} W
                </RowHead>
              )}
              <RowHead>{row.label}</RowHead>
              <Cell figure>{row.first ?? '–'}</Cell>
              <Cell figure>{row.second ?? '–'}</Cell>
              <Cell figure className={row.beyond ? 'font-semibold text-watch' : 'text-soft'}>
                <span className="inline-flex items-center gap-2">
                  {row.beyond && <Diamond />}
                  {row.difference ?? ''}
                </span>
              </Cell>
            </tr>
          )),
        )}
      </tbody>
    </Table>
  );
}
