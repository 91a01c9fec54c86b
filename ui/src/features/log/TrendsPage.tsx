import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';
import { ask, client, type PlaceView, type SeriesView } from '../../api';
import { Answer, Diamond, FirstThing } from '../../parts';
import { Label, Select } from '../../parts/ui';
import { Trend } from '../../plot';
import { say } from '../../words';
import { LogTabs } from './LogPage';

/** What has changed over the runs of one amplifier, band and load, and since when. */
export function TrendsPage() {
  const places = useQuery({ queryKey: ['trends'], queryFn: () => ask(client.GET('/api/trends/places')) });
  useEffect(() => {
    document.title = say('log.trendsTubrin');
  }, []);
  return (
    <Answer query={places} what={say('log.theTrends')}>
      {(list) =>
        list.length === 0 ? (
          <FirstThing title={say('log.noTrendYet')} to={['/tune', say('shared.startAClimb')]}>
            {say('log.fromTheSecondFinishedRun')}
          </FirstThing>
        ) : (
          <Trends places={list} />
        )
      }
    </Answer>
  );
}

const keyOf = (place: PlaceView) => `${place.amplifier}, ${place.bandName}, ${place.termination}`;

function Trends({ places }: { places: PlaceView[] }) {
  const [params] = useSearchParams();
  const [key, setKey] = useState(params.get('of') ?? '');
  const place = places.find((one) => keyOf(one) === key) ?? (places[0] as PlaceView);
  const query = { amplifier: place.amplifier, band: place.band, termination: place.termination };
  const trends = useQuery({
    queryKey: ['trends', query],
    queryFn: () => ask(client.GET('/api/trends', { params: { query } })),
    placeholderData: keepPreviousData,
  });
  return (
    <section aria-label={say('shared.trends')} className="sheet m-5 px-5 py-4">
      <header className="mb-2 flex flex-wrap items-baseline gap-x-5 gap-y-2">
        <h1 className="text-22">{say('shared.trends')}</h1>
        <LogTabs />
        <span className="ml-auto flex items-center gap-2">
          <Label htmlFor="trend-of">{say('shared.of')}</Label>
          <Select
            id="trend-of"
            value={keyOf(place)}
            onPick={setKey}
            options={places.map(
              (one) => [keyOf(one), say('log.runsOfPlace', { place: keyOf(one), runs: one.runs })] as const,
            )}
          />
        </span>
      </header>
      <Answer query={trends} what={say('log.theTrends')}>
        {(view) => (
          <>
            {view.since && <p className="mb-2 text-watch">{view.since}</p>}
            <SeriesList series={view.series} />
            <p className="mt-3 border-t border-hair pt-2 text-13 text-soft">{view.test}</p>
          </>
        )}
      </Answer>
    </section>
  );
}

/** What changed first, the steady ones after. */
function SeriesList({ series }: { series: SeriesView[] }) {
  const order = [...series].sort((a, b) => Number(b.changes.length > 0) - Number(a.changes.length > 0));
  return (
    <div className="grid grid-cols-2 gap-x-6 max-wide:grid-cols-1">
      {order.map((one) => (
        <article key={one.code} aria-label={one.label} className="border-t border-hair py-2.5" data-part="trend">
          <h2 className="flex items-center gap-2 text-18">
            {one.changes.length > 0 && (
              <span className="text-watch">
                <Diamond />
              </span>
            )}
            {one.label}
          </h2>
          {one.changes.map((change) => (
            <p key={change.says} className="head text-watch">
              {change.says}
            </p>
          ))}
          {one.says && <p className="text-soft">{one.says}</p>}
          {one.look && <p>{one.look}</p>}
          <Trend series={one} />
          {one.runsPerPoint > 1 && (
            <p className="text-13 text-soft">
              {say('log.runsEachPointIsThe', { runs: one.runs, runsPerPoint: one.runsPerPoint })}
            </p>
          )}
        </article>
      ))}
    </div>
  );
}
