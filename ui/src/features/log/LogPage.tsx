import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { ask, client, type RunSummary } from '../../api';
import { Answer, FirstThing } from '../../parts';
import { utc } from '../../quantity';

const ENDINGS: Record<string, string> = { FINISHED: 'on the card', ABANDONED: 'left' };

export function LogPage() {
  const runs = useQuery({ queryKey: ['runs'], queryFn: () => ask(client.GET('/api/runs')) });
  useEffect(() => {
    document.title = 'Log · Tubrin';
  }, []);
  return (
    <Answer query={runs} what="the log">
      {(list) =>
        list.length === 0 ? (
          <FirstThing title="No run yet" to={['/tune', 'Start a climb']}>
            Every climb is kept here, with each reading as it was typed.
          </FirstThing>
        ) : (
          <LogOf runs={list} />
        )
      }
    </Answer>
  );
}

function LogOf({ runs }: { runs: RunSummary[] }) {
  return (
    <section aria-label="Log" className="sheet m-5 px-5 py-4">
      <h1 className="mb-3 text-22">Log</h1>
      <div className="overflow-x-auto">
        <table className="table w-full">
          <thead>
            <tr>
              <th scope="col">Begun, UTC</th>
              <th scope="col">Band</th>
              <th scope="col">Amplifier</th>
              <th scope="col">Into</th>
              <th scope="col">Steps</th>
              <th scope="col">Last output, W</th>
              <th scope="col">Ended</th>
            </tr>
          </thead>
          <tbody>
            {runs.map((run) => (
              <LogRow key={run.id} run={run} />
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

function LogRow({ run }: { run: RunSummary }) {
  const to = run.ending ? `/log/${run.id}` : `/tune/${run.id}`;
  return (
    <tr>
      <td className="figure">
        <Link className="text-act underline" to={to}>
          {utc(run.startedAt)}
        </Link>
      </td>
      <td className="head">{run.bandName}</td>
      <td>{run.amplifier}</td>
      <td>{run.termination}</td>
      <td className="figure">{run.steps}</td>
      <td className="figure">{run.outputW === undefined ? '–' : Math.round(run.outputW)}</td>
      <td className={run.ending ? '' : 'font-semibold text-act'}>{run.ending ? ENDINGS[run.ending] : 'in progress'}</td>
    </tr>
  );
}
