import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link, useParams } from 'react-router';
import { ask, type CompareRunsView, client } from '../../api';
import { Answer, Diamond } from '../../parts';
import { utc } from '../../quantity';

/** Two runs beside each other, step by step. */
export function ComparePage() {
  const { first = '', second = '' } = useParams();
  const both = useQuery({
    queryKey: ['compare', first, second],
    queryFn: () => ask(client.GET('/api/runs/compare', { params: { query: { first, second } } })),
  });
  useEffect(() => {
    document.title = 'Two runs · Tubrin';
  }, []);
  return (
    <Answer query={both} what="the two runs">
      {(data) => (
        <section aria-label="Two runs" className="sheet m-5 px-5 py-4">
          <header className="mb-3 flex flex-wrap items-baseline gap-4">
            <h1 className="text-22">Two runs</h1>
            <Link className="text-act underline" to="/log">
              back to the log
            </Link>
            <p className="text-13 text-soft">
              Marked where they differ by more than twice what both readings leave open.
            </p>
          </header>
          <Both data={data} />
        </section>
      )}
    </Answer>
  );
}

function Both({ data }: { data: CompareRunsView }) {
  return (
    <div className="overflow-x-auto">
      <table className="table w-full max-w-[980px]">
        <thead>
          <tr>
            <th scope="col">At</th>
            <th scope="col">Figure</th>
            {[data.first, data.second].map((run, index) => (
              <th key={run.id + String(index)} scope="col" className="!whitespace-normal">
                <Link className="figure text-act underline" to={`/log/${run.id}`}>
                  {utc(run.startedAt)}
                </Link>
                <span className="block">{run.what}</span>
                {run.conditions && <span className="block text-13">{run.conditions}</span>}
              </th>
            ))}
            <th scope="col">Second less first</th>
          </tr>
        </thead>
        <tbody>
          {data.pairs.flatMap((pair) =>
            pair.rows.map((row, index) => (
              <tr key={pair.drive + row.label}>
                {index === 0 && (
                  <th scope="rowgroup" rowSpan={pair.rows.length} className="figure align-top text-18 !text-ink">
                    {pair.drive} W
                  </th>
                )}
                <th scope="row">{row.label}</th>
                <td className="figure">{row.first ?? '–'}</td>
                <td className="figure">{row.second ?? '–'}</td>
                <td className={`figure ${row.beyond ? 'font-semibold text-watch' : 'text-soft'}`}>
                  <span className="inline-flex items-center gap-2">
                    {row.beyond && <Diamond />}
                    {row.difference ?? ''}
                  </span>
                </td>
              </tr>
            )),
          )}
        </tbody>
      </table>
    </div>
  );
}
