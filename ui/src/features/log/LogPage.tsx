import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, NavLink } from 'react-router';
import { ask, client, type RunSummary } from '../../api';
import { Answer, FirstThing, Labelled, Pick } from '../../parts';
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

/** The ways through the log. */
export function LogTabs() {
  const look = ({ isActive }: { isActive: boolean }) =>
    `inline-flex min-h-[28px] items-center border-b-2 px-1 ${isActive ? 'head border-act' : 'border-transparent text-soft'}`;
  return (
    <nav aria-label="Log" className="flex gap-4">
      <NavLink end to="/log" className={look}>
        Runs
      </NavLink>
      <NavLink to="/log/trends" className={look}>
        Trends
      </NavLink>
    </nav>
  );
}

type Key = 'amplifier' | 'bandName' | 'termination' | 'schoolName';
const FILTERS: [Key, string][] = [
  ['amplifier', 'Amplifier'],
  ['bandName', 'Band'],
  ['termination', 'Into'],
  ['schoolName', 'School'],
];

function LogOf({ runs }: { runs: RunSummary[] }) {
  const [wanted, setWanted] = useState<Partial<Record<Key, string>>>({});
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  const [chosen, setChosen] = useState<string[]>([]);
  const shown = runs.filter(
    (run) =>
      FILTERS.every(([key]) => !wanted[key] || run[key] === wanted[key]) &&
      (!from || run.startedAt.slice(0, 10) >= from) &&
      (!to || run.startedAt.slice(0, 10) <= to),
  );
  const values = (key: Key) => [...new Set(runs.map((run) => run[key]))].sort();
  return (
    <section aria-label="Log" className="sheet m-5 px-5 py-4">
      <header className="mb-3 flex flex-wrap items-baseline gap-x-5 gap-y-2">
        <h1 className="text-22">Log</h1>
        <LogTabs />
        <span role="status" className="text-soft">
          {shown.length === runs.length ? `${runs.length} runs` : `${shown.length} of ${runs.length} runs`}
        </span>
        {chosen.length === 2 ? (
          <Link
            className="ml-auto inline-flex min-h-[32px] items-center rounded-3 bg-act px-3 font-semibold text-sheet"
            to={`/log/compare/${chosen[0]}/${chosen[1]}`}
          >
            Compare the two
          </Link>
        ) : (
          <span className="ml-auto text-13 text-soft">Tick two runs to see them step by step.</span>
        )}
      </header>
      <div className="mb-3 flex flex-wrap items-end gap-3">
        {FILTERS.map(([key, label]) => (
          <Pick
            key={key}
            label={label}
            value={wanted[key] ?? ''}
            onPick={(value) => setWanted({ ...wanted, [key]: value })}
            options={[['', 'all'], ...values(key).map((value) => [value, value] as const)]}
          />
        ))}
        <Labelled label="From">
          <input type="date" className="field" value={from} onChange={(event) => setFrom(event.target.value)} />
        </Labelled>
        <Labelled label="To">
          <input type="date" className="field" value={to} onChange={(event) => setTo(event.target.value)} />
        </Labelled>
      </div>
      {shown.length === 0 ? (
        <p className="text-soft">No run is like that. Choose less.</p>
      ) : (
        <div className="overflow-x-auto">
          <table className="table w-full">
            <thead>
              <tr>
                <th scope="col">
                  <span className="sr-only">Compare</span>
                </th>
                <th scope="col">Begun, UTC</th>
                <th scope="col">Band</th>
                <th scope="col">Amplifier</th>
                <th scope="col">Into</th>
                <th scope="col">School</th>
                <th scope="col">Steps</th>
                <th scope="col">Last output, W</th>
                <th scope="col">Line, V</th>
                <th scope="col">Room, °C</th>
                <th scope="col">Seen</th>
                <th scope="col">Ended</th>
              </tr>
            </thead>
            <tbody>
              {shown.map((run) => (
                <LogRow
                  key={run.id}
                  run={run}
                  chosen={chosen.includes(run.id)}
                  onChoose={(on) =>
                    setChosen(on ? [...chosen.slice(-1), run.id] : chosen.filter((one) => one !== run.id))
                  }
                />
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}

const times = (count: number, one: string, many: string) =>
  count === 0 ? [] : [`${count} ${count === 1 ? one : many}`];

function LogRow({ run, chosen, onChoose }: { run: RunSummary; chosen: boolean; onChoose: (on: boolean) => void }) {
  const to = run.ending ? `/log/${run.id}` : `/tune/${run.id}`;
  const seen = [...times(run.arcs, 'arc', 'arcs'), ...times(run.trips, 'trip', 'trips')];
  return (
    <tr>
      <td>
        <input
          type="checkbox"
          className="size-4 accent-act"
          aria-label={`Compare the run of ${utc(run.startedAt)}`}
          checked={chosen}
          onChange={(event) => onChoose(event.target.checked)}
        />
      </td>
      <td className="figure whitespace-nowrap">
        <Link className="text-act underline" to={to}>
          {utc(run.startedAt)}
        </Link>
      </td>
      <td className="head whitespace-nowrap">{run.bandName}</td>
      <td>{run.amplifier}</td>
      <td>{run.termination}</td>
      <td>{run.schoolName}</td>
      <td className="figure">{run.steps}</td>
      <td className="figure">{run.outputW === undefined ? '–' : Math.round(run.outputW)}</td>
      <td className="figure">{run.lineVoltageV ?? '–'}</td>
      <td className="figure">{run.ambientC ?? '–'}</td>
      <td className={seen.length > 0 ? 'text-watch' : ''}>{seen.join(', ')}</td>
      <td className={run.ending ? 'whitespace-nowrap' : 'font-semibold whitespace-nowrap text-act'}>
        {run.ending ? ENDINGS[run.ending] : 'in progress'}
      </td>
    </tr>
  );
}
