import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { ask, type BeliefView, client, type RangeChoice } from '../../api';
import { Answer, FirstThing, Sheet } from '../../parts';
import { say } from '../../words';
import { CompareSheet } from './CompareSheet';
import { ConvertSheet } from './ConvertSheet';

/** Meters against each other: whom to believe for what, the comparison run, and what other instruments show. */
export function MetersPage() {
  const ranges = useQuery({ queryKey: ['meters', 'ranges'], queryFn: () => ask(client.GET('/api/meters/ranges')) });
  useEffect(() => {
    document.title = say('meters.metersTubrin');
  }, []);
  return (
    <Answer query={ranges} what={say('meters.theMeters')}>
      {(list) =>
        list.length === 0 ? (
          <FirstThing title={say('meters.noPowerMeterYet')} to={['/station/new/meter', say('meters.describeAMeter')]}>
            {say('meters.withAMeterThatReads')}
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
          <h1 className="text-22">{say('shared.meters')}</h1>
          <Link className="text-act underline" to="/station">
            {say('meters.theStationsRecords')}
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
    <Sheet title={say('meters.whichMeterToBelieveFor')} part="belief">
      <Answer query={belief} what={say('meters.theMetersClasses')}>
        {(rows) =>
          rows.length === 0 ? (
            <p className="text-soft">{say('meters.noTwoMetersReadThe')}</p>
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
          <span className="text-soft">{say('meters.noMeterReachesSoFar')}</span>
        )}
        {best && <span className="figure"> {best.plusMinus}</span>}
      </p>
      {best?.compared && <p className="text-13 text-soft">{best.compared}</p>}
      {others.length > 0 && (
        <p className="text-13 text-soft">
          {say('meters.then', { plusMinus: others.map((one) => `${one.meter} ${one.plusMinus}`).join('; ') })}
        </p>
      )}
    </li>
  );
}
