import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { ask, type BeliefView, client, type RangeChoice } from '../../api';
import { Answer, FirstThing, Sheet } from '../../parts';
import { CompareSheet } from './CompareSheet';
import { ConvertSheet } from './ConvertSheet';

/** Meters against each other: whom to believe for what, the comparison run, and what other instruments show. */
export function MetersPage() {
  const ranges = useQuery({ queryKey: ['meters', 'ranges'], queryFn: () => ask(client.GET('/api/meters/ranges')) });
  useEffect(() => {
    document.title = 'Meters · Tubrin';
  }, []);
  return (
    <Answer query={ranges} what="the meters">
      {(list) =>
        list.length === 0 ? (
          <FirstThing title="No power meter yet" to={['/station/new/meter', 'Describe a meter']}>
            With a meter that reads output Tubrin can compare it with a better one, and say how far to believe it.
          </FirstThing>
        ) : (
          <Meters ranges={list} />
        )
      }
    </Answer>
  );
}

function Meters({ ranges }: { ranges: RangeChoice[] }) {
  return (
    <div className="m-5 grid grid-cols-one items-start gap-3.5 roomy:grid-cols-main-broad">
      <div className="grid gap-3.5">
        <header className="flex items-baseline gap-4">
          <h1 className="text-22">Meters</h1>
          <Link className="text-act underline" to="/station">
            the station's records
          </Link>
        </header>
        <CompareSheet ranges={ranges} />
      </div>
      <div className="grid gap-3.5">
        <Belief />
        <ConvertSheet ranges={ranges} />
      </div>
    </div>
  );
}

function Belief() {
  const belief = useQuery({ queryKey: ['meters', 'belief'], queryFn: () => ask(client.GET('/api/meters/belief')) });
  return (
    <Sheet title="Which meter to believe for what" part="belief">
      <Answer query={belief} what="the meters' classes">
        {(rows) =>
          rows.length === 0 ? (
            <p className="text-soft">No two meters read the same thing, so there is no choice to make.</p>
          ) : (
            <ol className="grid gap-1.5">
              {rows.map((row) => (
                <Believed key={row.role + row.value} row={row} />
              ))}
            </ol>
          )
        }
      </Answer>
    </Sheet>
  );
}

function Believed({ row }: { row: BeliefView }) {
  const [best, ...others] = row.ranked;
  return (
    <li className="border-t border-hair pt-1.5">
      <p>
        <span className="text-soft">{row.role}, </span>
        <span className="figure">{row.value}: </span>
        {best ? (
          <b className="head">
            {best.meter}, {best.range}
          </b>
        ) : (
          <span className="text-soft">no meter reaches so far</span>
        )}
        {best && <span className="figure"> {best.plusMinus}</span>}
      </p>
      {best?.compared && <p className="text-13 text-soft">{best.compared}</p>}
      {others.length > 0 && (
        <p className="text-13 text-soft">then {others.map((one) => `${one.meter} ${one.plusMinus}`).join('; ')}</p>
      )}
    </li>
  );
}
